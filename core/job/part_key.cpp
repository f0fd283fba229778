#include "core/job/part_key.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>

namespace pp {
namespace {

struct RoleRow {
  PartRole role;
  const char* word;  // in files, for ever
  const char* name;  // as shown; * stands for what kind of box it is of
};

// In the order of the roles.
constexpr std::array kRoles = {
#define ROLE(role, word, name, ...) RoleRow{PartRole::role, word, name},
#include "core/job/roles.inc"
#undef ROLE
};

constexpr int kPieces = 6;  // of a front

const RoleRow& rowOf(PartRole role) {
  return kRoles[static_cast<std::size_t>(role)];
}

template <class T>
std::optional<T> number(std::string_view text) {
  T out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc{} || end != text.data() + text.size() || out < 1) return std::nullopt;
  return out;
}

}  // namespace

PartRole pieceOf(PartRole front, FrontPiece piece) {
  return static_cast<PartRole>(static_cast<int>(front) + static_cast<int>(piece));
}

std::optional<FrontPiece> frontPieceOf(PartRole role) {
  if (role < PartRole::DrawerFront || role > PartRole::LidPanel) return std::nullopt;
  return static_cast<FrontPiece>(
      (static_cast<int>(role) - static_cast<int>(PartRole::DrawerFront)) % kPieces);
}

bool isDrawerFront(PartRole role) {
  return role >= PartRole::DrawerFront && role <= PartRole::DrawerFrontPanel;
}

bool isFront(PartRole role) {
  return frontPieceOf(role).has_value();
}

bool isOfBox(PartRole role) {
  return role >= PartRole::BoxLeftSide && role <= PartRole::RightSlidePad;
}

bool isOfFaceFrame(PartRole role) {
  return role >= PartRole::FrameLeftStile && role <= PartRole::FrameDrawerRail;
}

bool isSolidEdging(PartRole role) {
  return role >= PartRole::FrontEdging && role <= PartRole::RightEdging;
}

std::string roleName(PartRole role, std::string_view box) {
  const std::string_view name = rowOf(role).name;
  return name.starts_with('*') ? std::string(box) + std::string(name.substr(1)) : std::string(name);
}

std::string_view roleWord(PartRole role) {
  return rowOf(role).word;
}

std::optional<PartRole> parseRole(std::string_view word) {
  const auto row = std::find_if(kRoles.begin(), kRoles.end(),
                                [word](const RoleRow& one) { return one.word == word; });
  if (row == kRoles.end()) return std::nullopt;
  return row->role;
}

std::string keyText(const PartKey& key) {
  std::string out = fmt::format("{}:{}", key.assembly, rowOf(key.role).word);
  if (key.opening != 0) out += fmt::format("@{}", key.opening);
  if (key.index != 1) out += fmt::format("#{}", key.index);
  return out;
}

std::optional<PartKey> parseKey(std::string_view text) {
  PartKey out;
  const auto colon = text.find(':');
  if (colon == std::string_view::npos) return std::nullopt;
  if (text.substr(0, colon) != "0") {
    const auto assembly = number<Id>(text.substr(0, colon));
    if (!assembly) return std::nullopt;
    out.assembly = *assembly;
  }
  text.remove_prefix(colon + 1);
  if (const auto hash = text.find('#'); hash != std::string_view::npos) {
    const auto index = number<int>(text.substr(hash + 1));
    if (!index) return std::nullopt;
    out.index = *index;
    text = text.substr(0, hash);
  }
  if (const auto at = text.find('@'); at != std::string_view::npos) {
    const auto opening = number<Id>(text.substr(at + 1));
    if (!opening) return std::nullopt;
    out.opening = *opening;
    text = text.substr(0, at);
  }
  const auto role = parseRole(text);
  if (!role) return std::nullopt;
  out.role = *role;
  return out;
}

}  // namespace pp

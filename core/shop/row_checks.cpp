#include "core/shop/row_checks.h"

#include <fmt/format.h>

#include "core/length/format.h"
#include "core/result/text.h"

namespace pp {
namespace {

void check(const std::string& at, const Defect& defect, const RackPiece& piece,
           Problems& problems) {
  if (!defect.isOn(piece.length, piece.width))
    problems.push_back({{},
                        0,
                        at,
                        formatMm(defect.width) + " by " + formatMm(defect.height),
                        "a rectangle on the piece"});
}

void positive(const char* field, Length value, Problems& problems) {
  if (value <= Length{}) problems.push_back({{}, 0, field, formatMm(value), "more than 0"});
}
void positive(const char* field, std::int64_t value, Problems& problems) {
  if (value <= 0) problems.push_back({{}, 0, field, std::to_string(value), "more than 0"});
}

// A text that people read, on a screen and in a terminal.
void readable(const std::string& field, const std::string& value, Lines lines, Problems& problems) {
  constexpr std::size_t kLongestName = 200;
  constexpr std::size_t kLongestNote = 2'000;
  const std::size_t longest = lines == Lines::One ? kLongestName : kLongestNote;
  if (value.size() > longest)
    problems.push_back({{},
                        0,
                        field,
                        fmt::format("{} bytes", value.size()),
                        fmt::format("a text of at most {}", longest)});
  else if (const auto hidden = hiddenCharacter(value, lines))
    problems.push_back({{}, 0, field, *hidden, "a text that can be read"});
}
void name(const std::string& field, const std::string& value, Problems& problems) {
  if (value.empty()) problems.push_back({{}, 0, field, "nothing", "a name"});
  readable(field, value, Lines::One, problems);
}

constexpr std::int64_t kMostOfOne = 1'000'000;

void count(const char* field, std::int64_t value, std::int64_t least, Problems& problems) {
  if (value < least || value > kMostOfOne)
    problems.push_back(
        {{},
         0,
         field,
         std::to_string(value),
         value < least && least == 1 ? "more than 0" : fmt::format("{} to {}", least, kMostOfOne)});
}

}  // namespace

Problems problemsIn(const RackMaterial& row) {
  Problems out;
  name("name", row.name, out);
  positive("nominal", row.nominal, out);
  positive("measured", row.measured, out);
  positive("density", row.density, out);
  positive("stiffness", row.stiffness, out);
  if (row.keepLong) positive("keepLong", *row.keepLong, out);
  if (row.keepShort) positive("keepShort", *row.keepShort, out);
  return out;
}
Problems problemsIn(const RackPiece& row) {
  Problems out;
  positive("length", row.length, out);
  positive("width", row.width, out);
  count("count", row.count, 1, out);
  readable("lot", row.lot, Lines::One, out);
  readable("place", row.place, Lines::One, out);
  readable("note", row.note, Lines::Many, out);
  if (row.measured) positive("measured", *row.measured, out);
  if (row.defects.size() > kMostDefects)
    out.push_back({{},
                   0,
                   "defects",
                   std::to_string(row.defects.size()),
                   fmt::format("at most {}", kMostDefects)});
  for (std::size_t i = 0; i < row.defects.size(); ++i)
    check(fmt::format("defects/{}", i), row.defects[i], row, out);
  return out;
}
Problems problemsIn(const LotReading& row) {
  Problems out;
  positive("thickness", row.thickness, out);
  readable("lot", row.lot, Lines::One, out);
  return out;
}
Problems problemsIn(const RackBanding& row) {
  Problems out;
  name("name", row.name, out);
  positive("thickness", row.thickness, out);
  positive("width", row.width, out);
  positive("rollLength", row.rollLength, out);
  if (row.left < Length{}) out.push_back({{}, 0, "left", formatMm(row.left), "0 or more"});
  return out;
}
Problems problemsIn(const Hardware& row) {
  Problems out;
  name("name", row.name, out);
  count("pack", row.pack, 1, out);
  count("have", row.have, 0, out);
  readable("note", row.note, Lines::Many, out);
  if (row.length < Length{}) out.push_back({{}, 0, "length", formatMm(row.length), "0 or more"});
  return out;
}
Problems problemsIn(const ShopFinish& row) {
  Problems out;
  name("name", row.name, out);
  const auto within = [&out](const std::string& at, std::int64_t value, std::int64_t low,
                             std::int64_t high) {
    if (value < low || value > high)
      out.push_back({{}, 0, at, std::to_string(value), fmt::format("{} to {}", low, high)});
  };
  constexpr std::int64_t kMost = 1'000'000;
  for (std::size_t i = 0; i < row.products.size(); ++i) {
    const FinishProduct& one = row.products[i];
    const std::string at = fmt::format("products/{}/", i);
    name(at + "name", one.name, out);
    within(at + "coats", one.coats, 1, 20);
    within(at + "grit", one.grit, 0, 5'000);
    within(at + "drying", one.drying, 0, kMost);
    within(at + "thinning", one.thinning, 0, 100);
    within(at + "coverage", one.coverage, 1, 1'000);
    within(at + "loss", one.loss, 0, 90);
    within(at + "minutes", one.minutes, 0, 1'000);
    within(at + "canMillilitres", one.canMillilitres, 1, kMost);
    within(at + "haveMillilitres", one.haveMillilitres, 0, kMost);
  }
  return out;
}

}  // namespace pp

#include "words/problem_words.h"

#include <QStringList>
#include <algorithm>
#include <charconv>

#include "core/kinds/kind.h"
#include "words/figures.h"

namespace pp {
namespace {

// "keepLong" as "keep long".
std::string spaced(const std::string& name) {
  std::string out;
  for (const char c : name) {
    if (c >= 'A' && c <= 'Z') {
      out += ' ';
      out += static_cast<char>(c - 'A' + 'a');
    } else {
      out += c;
    }
  }
  return out;
}

std::vector<std::string> partsOf(const std::string& pointer) {
  std::vector<std::string> out;
  for (std::size_t at = 0; at < pointer.size();) {
    const std::size_t end = std::min(pointer.find('/', at + 1), pointer.size());
    out.push_back(pointer.substr(at + 1, end - at - 1));
    at = end;
  }
  return out;
}

std::optional<std::size_t> number(const std::string& text) {
  std::size_t out = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
  if (error != std::errc() || end != text.data() + text.size()) return std::nullopt;
  return out;
}

template <class Rows, class Name>
std::string rowName(const Rows& rows, std::size_t row, const Name& name) {
  return row < rows.size() ? name(rows[row]) : std::string();
}

// What the row of a list is called on the screen.
std::string nameOf(const Job& job, const std::string& list, std::size_t row) {
  const auto name = [](const auto& one) { return one.name; };
  if (list == "assemblies")
    return rowName(job.assemblies, row, [](const Assembly& one) { return one.code; });
  if (list == "stock")
    return rowName(job.stock, row, [](const StockPiece& one) { return one.mark; });
  if (list == "materials") return rowName(job.materials, row, name);
  if (list == "bandings") return rowName(job.bandings, row, name);
  if (list == "slides") return rowName(job.slides, row, name);
  if (list == "loose") return rowName(job.loose, row, name);
  if (list == "bought") return rowName(job.bought, row, name);
  if (list == "machines") return rowName(job.shop.machines, row, name);
  return {};
}

// Words of a pointer that only say how a job's file is built.
bool saysNothing(const std::string& word) {
  constexpr const char* kWords[] = {"inside", "children", "shop", "body"};
  return std::any_of(std::begin(kWords), std::end(kWords),
                     [&word](const char* one) { return word == one; }) ||
         std::any_of(kinds().begin(), kinds().end(),
                     [&word](const Kind& kind) { return word == kind.field; });
}

std::string placeOf(const Job& job, const std::string& pointer) {
  const std::vector<std::string> parts = partsOf(pointer);
  std::string row;
  std::vector<std::string> words;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    const auto index = i + 1 < parts.size() ? number(parts[i + 1]) : std::nullopt;
    std::string name = index ? nameOf(job, parts[i], *index) : std::string();
    if (!name.empty()) {
      if (row.empty()) row = std::move(name);
      ++i;
    } else if (!number(parts[i]) && !saysNothing(parts[i])) {
      words.push_back(spaced(parts[i]));
    }
  }
  std::string out;
  constexpr std::size_t kMostWords = 2;
  for (std::size_t i = words.size(); i > 0 && words.size() - i < kMostWords; --i)
    out += out.empty() ? words[i - 1] : " of the " + words[i - 1];
  if (row.empty()) return out;
  return out.empty() ? row : out + " of " + row;
}

}  // namespace

QString sentence(const Problem& problem) {
  const QString place =
      problem.field.empty() ? QString() : qs(problem.field) + QStringLiteral(": ");
  return QStringLiteral("%1%2. It takes %3.").arg(place, qs(problem.found), qs(problem.expected));
}

Problems inWords(Problems problems, const Job& job) {
  for (Problem& problem : problems)
    if (problem.field.starts_with('/')) problem.field = placeOf(job, problem.field);
  return problems;
}

}  // namespace pp

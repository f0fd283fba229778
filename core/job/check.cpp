#include "core/job/check.h"

#include <fmt/format.h>

namespace pp {
namespace {

constexpr std::size_t kLongestName = 500;  // bytes
constexpr std::size_t kLongestNote = 5'000;

}  // namespace

void Check::add(const std::string& field, const std::string& found, const std::string& expected) {
  problems_.push_back({{}, 0, field, found, expected});
}

void Check::positive(const std::string& field, Length value) {
  if (value <= Length{} || value > kLongest) add(field, formatMm(value), "a length above 0");
}

void Check::notNegative(const std::string& field, Length value) {
  if (value < Length{} || value > kLongest) add(field, formatMm(value), "a length of 0 or more");
}

void Check::atLeast(const std::string& field, Length value, Length least) {
  if (value < least || value > kLongest)
    add(field, formatMm(value), fmt::format("a length of at least {} mm", formatMm(least)));
}

void Check::within(const std::string& field, std::int64_t value, std::int64_t least,
                   std::int64_t most) {
  if (value < least || value > most)
    add(field, std::to_string(value), fmt::format("a whole number from {} to {}", least, most));
}

void Check::within(const std::string& field, Angle value, std::int64_t least, std::int64_t most) {
  constexpr double kMillidegrees = 1000;
  if (value < Angle::degrees(least) || value > Angle::degrees(most))
    add(field, fmt::format("{}", static_cast<double>(value.inMillidegrees()) / kMillidegrees),
        fmt::format("{} to {} degrees", least, most));
}

void Check::text(const std::string& field, const std::string& value, Lines lines) {
  const std::size_t most = lines == Lines::One ? kLongestName : kLongestNote;
  if (value.size() > most)
    add(field, fmt::format("a text of {} bytes", value.size()),
        fmt::format("at most {} bytes", most));
  if (const auto hidden = hiddenCharacter(value, lines))
    add(field, *hidden, "a text that can be read as it is");
}

void Check::unique(std::set<std::string>& seen, const std::string& field,
                   const std::string& value) {
  text(field, value);
  if (value.empty())
    add(field, "nothing", "a name");
  else if (!seen.insert(value).second)
    add(field, "'" + value + "' a second time", "a name of its own");
}

void Check::knownMaterial(const std::string& field, const std::string& id) {
  if (findMaterial(job_, id) == nullptr)
    add(field, "'" + id + "'", "the id of a material of this job");
}

void Check::knownBanding(const std::string& field, const std::string& id) {
  if (!id.empty() && findBanding(job_, id) == nullptr)
    add(field, "'" + id + "'", "the id of a banding of this job, or nothing");
}

void Check::allPositive(const std::string& at, std::initializer_list<Named> rows) {
  for (const auto& [name, value] : rows) positive(at + name, value);
}

void Check::noneNegative(const std::string& at, std::initializer_list<Named> rows) {
  for (const auto& [name, value] : rows) notNegative(at + name, value);
}

}  // namespace pp

#include "core/floor/at_saw.h"

#include <algorithm>
#include <cctype>
#include <charconv>

namespace pp::floor {
namespace {

std::string upper(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(),
                 [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
  return text;
}

}  // namespace

AtSaw::AtSaw(const CuttingPlan& plan, const std::set<int>& made, const std::set<std::string>& bench)
    : plan_(plan), made_(&made), bench_(&bench), pieces_(plan.request, plan.plan) {
  if (auto geometry = saw::madeCuts(plan.request, plan.plan))
    geometry_ = std::move(geometry).value();
  geometry_.resize(plan.plan.cuts.size());
}

void AtSaw::follow(const std::set<int>& made, const std::set<std::string>& bench) {
  made_ = &made;
  bench_ = &bench;
}

bool AtSaw::isReady(std::size_t cut) const {
  return !isMade(cut) && bench_->count(plan_.plan.cuts[cut].piece) > 0;
}

std::optional<std::size_t> AtSaw::next() const {
  for (std::size_t i = 0; i < cuts(); ++i)
    if (isReady(i)) return i;
  return std::nullopt;
}

std::optional<std::size_t> AtSaw::last() const {
  for (std::size_t i = cuts(); i-- > 0;)
    if (isMade(i) && lies(plan_.plan.cuts[i].low) && lies(plan_.plan.cuts[i].high)) return i;
  return std::nullopt;
}

std::int64_t AtSaw::leftAtSetting(std::size_t cut) const {
  const int setup = plan_.plan.cuts[cut].setup;
  std::int64_t out = 0;
  for (std::size_t i = 0; i < cuts(); ++i)
    if (plan_.plan.cuts[i].setup == setup && !isMade(i)) ++out;
  return out;
}

std::optional<std::size_t> AtSaw::nextSetting(std::size_t cut) const {
  for (std::size_t i = cut + 1; i < cuts(); ++i)
    if (!isMade(i) && plan_.plan.cuts[i].setup != plan_.plan.cuts[cut].setup) return i;
  return std::nullopt;
}

std::int64_t AtSaw::settingsLeft() const {
  std::set<int> out;
  for (std::size_t i = 0; i < cuts(); ++i)
    if (!isMade(i) && plan_.plan.cuts[i].setup > 0) out.insert(plan_.plan.cuts[i].setup);
  return std::ssize(out);
}

AtSaw::Count AtSaw::cutsDone() const {
  return {std::ssize(*made_), std::ssize(plan_.plan.cuts)};
}

AtSaw::Count AtSaw::partsDone() const {
  Count out;
  for (const PieceEnd& end : plan_.plan.ends) {
    if (end.kind != PieceEnd::Kind::Part) continue;
    ++out.of;
    if (bench_->count(end.piece) > 0) ++out.done;
  }
  return out;
}

std::optional<std::size_t> AtSaw::find(const std::string& words) const {
  const std::string sought = upper(words);
  int number = 0;
  const auto read = std::from_chars(sought.data(), sought.data() + sought.size(), number);
  if (read.ec == std::errc() && read.ptr == sought.data() + sought.size())
    for (std::size_t i = 0; i < cuts(); ++i)
      if (step(i) == number) return i;
  std::optional<std::size_t> made;  // what is cut already is shown where nothing else is called so
  for (std::size_t i = 0; i < cuts(); ++i) {
    const SawCut& cut = plan_.plan.cuts[i];
    const bool named =
        upper(cut.piece) == sought || upper(low(i).name) == sought || upper(high(i).name) == sought;
    if (named && !isMade(i)) return i;
    if (named) made = i;
  }
  return made;
}

}  // namespace pp::floor

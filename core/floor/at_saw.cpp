#include "core/floor/at_saw.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <utility>

namespace pp::floor {
namespace {

std::string upper(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(),
                 [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
  return text;
}

}  // namespace

Count partsDone(const Cutting& cutting, const Progress& progress) {
  Count out;
  eachRow(cutting.plans.front(), [&out](const CutRow& row) { out.of += row.quantity; });
  for (const auto& [piece, state] : progress.pieces)
    if (state.cutting == cutting.number && !state.spoiled && !state.spare) ++out.done;
  return out;
}

CuttingProgress begun(const CuttingPlan& plan) {
  CuttingProgress out;
  out.plan = 1;
  out.taken = {1};
  out.made.resize(1);
  for (int i = 0; i < static_cast<int>(plan.plan.sheets.size()); ++i) out.bench.insert({1, 0, i});
  return out;
}

AtSaw::AtSaw(const Cutting& cutting, const CuttingProgress& at)
    : AtSaw(cutting.plans[static_cast<std::size_t>(at.plan - 1)], at.plan, at, cutting.bars) {}

AtSaw::AtSaw(const CuttingPlan& plan, int number, const CuttingProgress& at,
             std::vector<saw::BarCut> bars)
    : plan_(plan),
      number_(number),
      at_(&at),
      bars_(std::move(bars)),
      made_(plan, number),
      pieces_(plan.request, plan.plan) {
  if (auto geometry = saw::madeCuts(plan.request, plan.plan))
    geometry_ = std::move(geometry).value();
  geometry_.resize(plan.plan.cuts.size());
  for (const saw::BarCut& one : bars_) {
    const bool rip = one.cut.direction == CutDirection::Rip;
    saw::MadeCut made_cut;
    made_cut.piece = {one.cut.sheet, {}, {}, one.length, one.width};
    made_cut.blade = made_cut.piece;
    (rip ? made_cut.blade.y : made_cut.blade.x) = one.cut.at;
    (rip ? made_cut.blade.dy : made_cut.blade.dx) = one.cut.kerf;
    geometry_.push_back(made_cut);
  }
}

bool AtSaw::isReady(std::size_t cut) const {
  if (isMade(cut)) return false;
  if (isBar(cut)) return bar(cut).after == 0 || at_->bars.count(bar(cut).after) > 0;
  const auto piece = made_.divided(static_cast<int>(cut) + 1);
  return piece && at_->bench.count(*piece) > 0;
}

saw::Becomes AtSaw::low(std::size_t cut) const {
  if (!isBar(cut)) return pieces_.of(plan_.plan.cuts[cut].low);
  using What = saw::Becomes::What;
  const saw::BarCut& one = bar(cut);
  return {one.piece ? What::Part : What::CutFurther, one.cut.low.value_or(""), 0,
          one.piece ? one.piece->number : 0};
}

saw::Becomes AtSaw::high(std::size_t cut) const {
  if (!isBar(cut)) return pieces_.of(plan_.plan.cuts[cut].high);
  using What = saw::Becomes::What;
  const saw::BarCut& one = bar(cut);
  if (!one.cut.high) return {};
  // The next cut of the bar, if there is one.
  for (std::size_t i = cut + 1; i < cuts(); ++i)
    if (bar(i).cut.piece == *one.cut.high) return {What::CutFurther, *one.cut.high, number(i), 0};
  return {What::Waste, *one.cut.high, 0, 0};
}

const StockSupply* AtSaw::stock(std::size_t cut) const {
  if (isBar(cut)) return nullptr;
  return &plan_.request.stock[plan_.plan.sheets[plan_.plan.cuts[cut].sheet].stock];
}

std::string AtSaw::origin(std::size_t cut) const {
  const StockSupply* of = stock(cut);
  return of != nullptr && of->anew &&
                 this->cut(cut).piece == sheetName(plan_.request, plan_.plan, this->cut(cut).sheet)
             ? of->piece
             : std::string();
}

Caution AtSaw::caution(std::size_t cut) const {
  const SawCut& one = this->cut(cut);
  const saw::PlayedPiece& piece = geometry(cut).piece;
  const StockSupply* of = stock(cut);
  constexpr Length kNarrow = Length::mm(150);
  constexpr Length kShort = Length::mm(200);
  const bool rip = one.direction == CutDirection::Rip;
  if (of == nullptr && !rip) return Caution::Bar;
  if (of != nullptr && of->piece.empty() && piece.dx == of->length && piece.dy == of->width)
    return Caution::WholeSheet;
  if (rip && !one.isToMark() && one.distance < kNarrow) return Caution::Narrow;
  if (!rip && one.distance < kShort) return Caution::Short;
  return Caution::Usual;
}

std::optional<std::size_t> AtSaw::next() const {
  for (std::size_t i = 0; i < cuts(); ++i)
    if (isReady(i)) return i;
  return std::nullopt;
}

std::int64_t AtSaw::leftAtSetting(std::size_t cut) const {
  std::int64_t out = 0;
  for (std::size_t i = 0; i < cuts(); ++i)
    if (setup(i) == setup(cut) && !isMade(i)) ++out;
  return out;
}

std::optional<std::size_t> AtSaw::nextSetting(std::size_t cut) const {
  for (std::size_t i = cut + 1; i < cuts(); ++i)
    if (!isMade(i) && setup(i) != setup(cut)) return i;
  return std::nullopt;
}

std::int64_t AtSaw::settingsLeft() const {
  std::set<int> out;
  for (std::size_t i = 0; i < cuts(); ++i)
    if (!isMade(i) && setup(i) > 0) out.insert(setup(i));
  return std::ssize(out);
}

Count AtSaw::cutsDone() const {
  return {std::ssize(at_->madeOf(number_)) + std::ssize(at_->bars),
          static_cast<std::int64_t>(cuts())};
}

std::int64_t AtSaw::spares(std::size_t cut) const {
  using What = saw::Becomes::What;
  const SawCut& one = this->cut(cut);
  const bool isLow = one.fence == FenceSide::Low;
  const saw::Becomes stays = isLow ? low(cut) : high(cut);
  const saw::Becomes off = isLow ? high(cut) : low(cut);
  if (one.kind != CutKind::Final || stays.what != What::Part ||
      (off.what != What::Waste && off.what != What::Leftover))
    return 0;
  const saw::PlayedPiece& piece = geometry_[cut].piece;
  const Length extent = one.direction == CutDirection::Rip ? piece.dy : piece.dx;
  const Length rest = extent - one.distance - one.kerf;
  // The last may end with what there is.
  return (rest + one.kerf).inNm() / (one.distance + one.kerf).inNm();
}

std::int64_t AtSaw::sparesLeft(std::size_t cut, const Ledger& ledger, int cutting) const {
  const std::int64_t all = spares(cut);
  if (all == 0) return 0;
  const int step = this->cut(cut).step;
  if (!isBar(cut) && isMade(cut)) {
    const auto off = this->cut(cut).fence == FenceSide::Low ? made_.high(step) : made_.low(step);
    if (!off || at_->bench.count(*off) == 0) return 0;
  }
  return std::max<std::int64_t>(0, all - ledger.sparesCut(cutting, isBar(cut) ? 0 : number_, step));
}

std::optional<std::size_t> AtSaw::find(const std::string& words) const {
  if (words.empty()) return std::nullopt;
  const std::string sought = upper(words);
  int number = 0;
  const auto read = std::from_chars(sought.data(), sought.data() + sought.size(), number);
  if (read.ec == std::errc() && read.ptr == sought.data() + sought.size())
    for (std::size_t i = 0; i < cuts(); ++i)
      if (this->number(i) == number) return i;
  std::optional<std::size_t> made;  // what is cut already is shown where nothing else is called so
  for (std::size_t i = 0; i < cuts(); ++i) {
    const SawCut& cut = this->cut(i);
    const bool named =
        upper(cut.piece) == sought || upper(low(i).name) == sought || upper(high(i).name) == sought;
    if (named && !isMade(i)) return i;
    if (named) made = i;
  }
  return made;
}

}  // namespace pp::floor

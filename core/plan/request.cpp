#include "core/plan/request.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/job/ids.h"

namespace pp {

std::vector<Pin> effectivePins(const NestRequest& request) {
  std::vector<std::int64_t> left;
  for (const PartDemand& part : request.parts) left.push_back(part.quantity);
  std::vector<std::vector<std::int64_t>> sheets(request.stock.size());  // numbers in use
  std::vector<Pin> out;
  for (Pin pin : request.pins) {
    // Parted roughly, nothing lies at an exact place.
    if (request.shop.partsRoughly()) pin.place.reset();
    if (pin.part >= left.size() || pin.stock >= sheets.size()) continue;
    auto& numbers = sheets[pin.stock];
    if (std::find(numbers.begin(), numbers.end(), pin.sheet) == numbers.end()) {
      const auto most = request.stock[pin.stock].quantity;
      if (most && static_cast<std::int64_t>(numbers.size()) >= *most) continue;
      numbers.push_back(pin.sheet);
    }
    pin.copies = std::min(pin.place ? 1 : pin.copies, left[pin.part]);
    if (pin.copies <= 0) continue;
    left[pin.part] -= pin.copies;
    out.push_back(pin);
  }
  return out;
}

Keep keepOf(const NestRequest& request, const StockSupply& stock) {
  return {stock.keepLong.value_or(request.keepLong), stock.keepShort.value_or(request.keepShort)};
}

bool isWorthKeeping(const NestRequest& request, const StockSupply& stock, Length dx, Length dy) {
  const Keep keep = keepOf(request, stock);
  return std::max(dx, dy) >= keep.along && std::min(dx, dy) >= keep.across;
}

Length kerfOf(const NestRequest& request, int machine) {
  if (machine < 0) return request.kerf;
  return request.shop.machines[static_cast<std::size_t>(machine)].kerf.value_or(request.kerf);
}

std::int64_t stripsOf(const NestRequest& request, const BarSupply& bar, Length width) {
  return (bar.width + request.barKerf).inNm() / (width + request.barKerf).inNm();
}

std::int64_t barsFor(const NestRequest& request, const BarList& list, std::size_t k) {
  const std::int64_t strips = std::count_if(list.plan.bars.begin(), list.plan.bars.end(),
                                            [k](const Bar& bar) { return bar.stock == k; });
  const std::int64_t each = stripsOf(request, request.barStock[list.stock[k]],
                                     request.barParts[list.parts.front()].width);
  return (strips + each - 1) / each;
}

Length bevelKerf(Length kerf) {
  const std::int64_t k = kerf.inNm();
  const Int128 square = 2 * static_cast<Int128>(k) * k;
  auto root = static_cast<std::int64_t>(std::sqrt(static_cast<double>(square)));
  while (static_cast<Int128>(root) * root < square) ++root;
  while (root > 0 && static_cast<Int128>(root - 1) * (root - 1) >= square) --root;
  return Length::nm(root);
}

namespace {

// What must be spent on it: nothing where it is the shop's already.
Money spentOn(const StockPiece& piece) {
  return piece.store == 0 ? piece.price : Money{};
}

// The job's pins as far as their parts and stock are there.
void addPins(const Job& job, const std::vector<Part>& parts, NestRequest& out) {
  for (const JobPin& pin : job.pins) {
    const std::string code = codeOf(parts, pin.part);
    const auto part = std::find_if(out.parts.begin(), out.parts.end(),
                                   [&](const PartDemand& one) { return one.code == code; });
    const StockPiece* piece = findStock(job, pin.stock);
    if (piece == nullptr) continue;
    const auto stock =
        std::find_if(out.stock.begin(), out.stock.end(),
                     [piece](const StockSupply& row) { return row.id == piece->mark; });
    if (part == out.parts.end() || stock == out.stock.end()) continue;
    Pin one;
    one.part = static_cast<std::size_t>(part - out.parts.begin());
    one.copies = pin.copies;
    one.stock = static_cast<std::size_t>(stock - out.stock.begin());
    one.sheet = pin.sheet;
    const PartDemand& demand = out.parts[one.part];
    if (demand.material != stock->material || demand.thickness != stock->thickness) continue;
    if (pin.x && pin.y) one.place = Pin::Place{*pin.x, *pin.y, pin.turned};
    out.pins.push_back(one);
  }
}

}  // namespace

bool isOn(const Job& job, const JobPin& pin, const Part& part, const std::string& mark) {
  const StockPiece* piece = findStock(job, pin.stock);
  return piece != nullptr && piece->mark == mark &&
         std::binary_search(part.keys.begin(), part.keys.end(), pin.part);
}

std::string said(const NestRequest& request, Length length) {
  // What is less than can be shown is not nothing.
  const std::string shown = format(length, request.style);
  const bool isNothing = shown.find_first_of("123456789") == std::string::npos;
  return isNothing && length != Length{} ? formatExact(length, request.style.unit)
                                         : formatWithUnit(length, request.style);
}

namespace {

// Finds sheets for parts that do not show: offcuts of another kind, as thick as the part's own
// measure so that its joints stay as they are, before a sheet of its own is cut into.
class Substitutes {
 public:
  explicit Substitutes(const Job& job) : job_(job) {
    for (const StockPiece& piece : job.stock)
      if (piece.kind == StockKind::Offcut)
        free_[piece.material] += piece.quantity.value_or(1) * (piece.length * piece.width);
  }

  // The material to cut it from; an offcut is never counted on for more than two thirds of itself.
  const std::string& materialOf(const Part& part) {
    const Material& own = *findMaterial(job_, part.material);
    const Material* best = nullptr;
    for (const Material& other : job_.materials) {
      if (other.lumber || other.measured != part.thickness || other.nominal != own.nominal ||
          !fitsAnOffcut(part, other.id))
        continue;
      if (best == nullptr || free_[best->id] < free_[other.id]) best = &other;
    }
    const Area wanted = part.quantity * (part.cutLength() * part.cutWidth());
    if (best == nullptr || 2 * free_[best->id].inNm2() < 3 * wanted.inNm2()) return own.id;
    free_[best->id] = Area::nm2(free_[best->id].inNm2() - 3 * wanted.inNm2() / 2);
    return best->id;
  }

 private:
  bool fitsAnOffcut(const Part& part, const std::string& material) const {
    return std::any_of(job_.stock.begin(), job_.stock.end(), [&](const StockPiece& piece) {
      const bool along = piece.length >= part.cutLength() && piece.width >= part.cutWidth();
      const bool across = piece.length >= part.cutWidth() && piece.width >= part.cutLength();
      return piece.kind == StockKind::Offcut && piece.material == material && piece.quantity != 0 &&
             (along || across);
    });
  }

  const Job& job_;
  std::map<std::string, Area> free_;  // of the offcuts of a material
};

}  // namespace

NestRequest requestOf(const Job& job, const std::vector<Part>& parts) {
  NestRequest out;
  out.shop = job.shop;
  out.kerf = job.saw.kerf;
  for (const Machine& machine : job.shop.machines)
    out.kerf = std::max(out.kerf, machine.kerf.value_or(job.saw.kerf));
  // A saw without a kerf of its own has the job's, which need not be the widest.
  for (Machine& machine : out.shop.machines) machine.kerf = machine.kerf.value_or(job.saw.kerf);
  out.keepLong = job.saw.keepLong;
  out.keepShort = job.saw.keepShort;
  out.goal = job.saw.goal;
  out.ease = job.saw.ease;
  out.barKerf = job.saw.kerf;
  out.style = styleOf(job);
  Substitutes substitutes(job);
  for (const Part& part : parts) {
    if (part.lumber) {
      out.barParts.push_back(
          {part.material, part.cutWidth(), {part.code, part.cutLength(), part.quantity, {}}});
      continue;
    }
    const Material& material =
        *findMaterial(job, part.anySuch ? substitutes.materialOf(part) : part.material);
    PartDemand demand;
    demand.code = part.code;
    demand.length = part.cutLength();
    demand.width = part.blank();
    demand.thickness = material.nominal;
    demand.material = material.name;
    demand.quantity = part.blanks();
    // Nobody sees which way the grain of what does not show lies.
    demand.grain = part.anySuch ? PartGrain::Any : part.grain;
    demand.run = part.run;
    demand.runOrder = part.runOrder;
    demand.series = part.series;
    demand.mitred = part.runsRound;
    demand.shows = isFront(part.role);
    demand.lot = material.id == part.material ? part.lot : std::string();
    out.parts.push_back(std::move(demand));
  }
  for (const StockPiece& piece : job.stock) {
    const Material& material = *findMaterial(job, piece.material);
    if (material.lumber) {
      out.barStock.push_back({piece.material,
                              piece.width,
                              {piece.mark, piece.length, piece.quantity, spentOn(piece)},
                              piece.id,
                              piece.store});
      continue;
    }
    const Length trim =
        piece.trim.value_or(piece.kind == StockKind::Sheet ? job.saw.trim : Length{});
    out.stock.push_back({piece.mark,
                         material.name,
                         material.nominal,
                         piece.measured.value_or(material.measured),
                         piece.length,
                         piece.width,
                         piece.grain,
                         piece.quantity,
                         spentOn(piece),
                         piece.kind,
                         trim,
                         piece.lot,
                         material.density,
                         piece.id,
                         {},
                         piece.store,
                         piece.defects});
    const Keep keep = keepOf(job.saw, material);
    if (keep.along != job.saw.keepLong) out.stock.back().keepLong = keep.along;
    if (keep.across != job.saw.keepShort) out.stock.back().keepShort = keep.across;
  }
  addPins(job, parts, out);
  return out;
}

}  // namespace pp

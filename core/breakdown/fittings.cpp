#include "core/breakdown/fittings.h"

#include <algorithm>
#include <iterator>
#include <map>
#include <tuple>

#include "core/kinds/carcass/drawer.h"
#include "core/parts/finish_area.h"

namespace pp {
namespace {

const std::vector<Length>& screwLengths(Unit unit) {
  static const std::vector<Length> kMetric = [] {
    std::vector<Length> out;
    for (const int mm : {16, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 100})
      out.push_back(Length::mm(mm));
    return out;
  }();
  static const std::vector<Length> kInch = {
      Length::in(0, 5, 8), Length::in(0, 3, 4), Length::in(1), Length::in(1, 1, 4),
      Length::in(1, 1, 2), Length::in(1, 3, 4), Length::in(2), Length::in(2, 1, 2),
      Length::in(3),       Length::in(3, 1, 2), Length::in(4)};
  return unit == Unit::Inch ? kInch : kMetric;
}

class Counter {
 public:
  Counter(const Job& job, const std::vector<Part>& parts) : job_(job), parts_(parts) {}

  std::vector<Fitting> run() {
    for (const Part& part : parts_) {
      for (const Join& join : part.joins) joint(part, join);
      rows(part);
      if (part.role == PartRole::Back && part.joins.empty()) back(part);
      if (part.role == PartRole::AdjustableShelf) add(HardwareKind::Pin, "shelf pin", {}, 4, part);
      if (frontPieceOf(part.role) == FrontPiece::Whole && isDrawerFront(part.role)) front(part);
    }
    slides();
    if (const auto millilitres = static_cast<std::int64_t>(glue_ / kNm2PerMl); millilitres > 0)
      found_[{HardwareKind::Glue, "wood glue", {}}] += millilitres;
    std::vector<Fitting> out;
    for (const auto& [what, count] : found_) {
      const auto& [kind, name, length] = what;
      out.push_back({kind, name, length, count});
    }
    return out;
  }

 private:
  void add(HardwareKind kind, const std::string& name, Length length, std::int64_t each,
           const Part& part) {
    if (each > 0) found_[{kind, name, length}] += each * part.quantity;
  }

  // What it is joined to, in its assembly; its own thickness where that is called otherwise.
  Length mateOf(const Part& part, const Join& join) const {
    for (const Part& other : parts_)
      if (other.assembly == part.assembly && other.name == join.to) return other.thickness;
    return part.thickness;
  }

  void joint(const Part& part, const Join& join) {
    const Length edge = isEnd(join.edge) ? part.width.total() : part.length.total();
    const Length most = 5 * mateOf(part, join) / 2;
    if (join.kind == JoinKind::Butt)
      add(HardwareKind::Screw, "screw", screwFor(most, job_.unit),
          alongEdge(edge, Length::mm(50), Length::mm(200)), part);
    if (join.kind == JoinKind::Brads)
      add(HardwareKind::Screw, "brad", screwFor(most, job_.unit),
          alongEdge(edge, Length::mm(50), Length::mm(100)), part);
    if (join.kind != JoinKind::Pocket) glue_ += (edge * part.thickness).inNm2() * part.quantity;
  }

  void rows(const Part& part) {
    for (const Machining& one : part.machining) {
      if (one.cut == MachiningKind::Pockets)
        add(HardwareKind::Screw, "pocket screw", pocketScrewFor(part.thickness, job_.unit),
            one.holes, part);
      // A joint has its mortises in either part: those in the edge that is joined count.
      const bool own = std::any_of(part.joins.begin(), part.joins.end(),
                                   [&one](const Join& join) { return join.edge == one.from; });
      if (one.cut == MachiningKind::Mortises && own)
        add(HardwareKind::Other, isDowels(part, one) ? "dowel" : "loose tenon", {}, one.holes,
            part);
      if (one.cut == MachiningKind::HingeCup)
        add(HardwareKind::Hinge, "cup hinge", {}, std::max(1, one.holes), part);
    }
  }
  static bool isDowels(const Part& part, const Machining& row) {
    return std::any_of(part.joins.begin(), part.joins.end(), [&row](const Join& join) {
      return join.edge == row.from && join.kind == JoinKind::Dowel;
    });
  }

  void back(const Part& part) {
    const Length length = screwFor(4 * part.thickness, job_.unit);
    for (const Length edge : {part.length.total(), part.width.total()})
      add(HardwareKind::Screw, "brad", length, 2 * alongEdge(edge, Length::mm(50), Length::mm(150)),
          part);
  }

  void front(const Part& part) {
    Length box;
    for (const Part& other : parts_)
      if (other.assembly == part.assembly && other.role == PartRole::BoxFront)
        box = other.thickness;
    if (box > Length{})
      add(HardwareKind::Screw, "screw", frontScrew(box, part.thickness, job_.unit), kFrontScrews,
          part);
  }

  void slides() {
    for (const Assembly& assembly : job_.assemblies) {
      if (!assembly.isCarcass()) continue;
      const std::optional<Job> lotted = asCutFromLot(job_, assembly);
      const Job& cut = lotted ? *lotted : job_;
      const Carcass& carcass = assembly.carcass();
      const auto layout = layOut(cut, assembly);
      if (!layout) continue;
      const PartChoices choices(cut, assembly.id);
      for (const OpeningRect& leaf : layout->leaves) {
        if (!std::holds_alternative<DrawerBank>(find(carcass.inside, leaf.path)->content)) continue;
        const auto drawers = planDrawers(cut, choices, carcass, *layout, leaf);
        if (!drawers) continue;
        for (const DrawerPlan& drawer : *drawers)
          if (drawer.slide != nullptr)
            found_[{HardwareKind::Slide, drawer.slide->name, drawer.slide->length}] +=
                assembly.copies;
      }
    }
  }

  static constexpr Int128 kNm2PerMl = Int128{5'000'000'000} * 1'000'000;  // 200 ml a square metre
  using What = std::tuple<HardwareKind, std::string, Length>;

  const Job& job_;
  const std::vector<Part>& parts_;
  std::map<What, std::int64_t> found_;
  Int128 glue_ = 0;  // square nanometres
};

}  // namespace

std::vector<Fitting> fittingsOf(const Job& job, const std::vector<Part>& parts) {
  return Counter(job, parts).run();
}

Length screwFor(Length most, Unit unit) {
  const std::vector<Length>& lengths = screwLengths(unit);
  const auto longer = std::upper_bound(lengths.begin(), lengths.end(), most);
  return longer == lengths.begin() ? lengths.front() : *std::prev(longer);
}

Length frontScrew(Length box, Length front, Unit unit) {
  return screwFor(box + 7 * front / 10, unit);
}

Length pocketScrewFor(Length thickness, Unit unit) {
  const bool inch = unit == Unit::Inch;
  if (thickness <= Length::mm(14)) return inch ? Length::in(1) : Length::mm(25);
  if (thickness <= Length::mm(20)) return inch ? Length::in(1, 1, 4) : Length::mm(32);
  if (thickness <= Length::mm(30)) return inch ? Length::in(1, 1, 2) : Length::mm(38);
  return inch ? Length::in(2, 1, 2) : Length::mm(64);
}

std::int64_t alongEdge(Length edge, Length inset, Length apart) {
  if (edge <= Length{}) return 0;
  const Length between = edge - 2 * inset;
  if (between <= Length{}) return 1;
  return (between.inNm() + apart.inNm() - 1) / apart.inNm() + 1;
}

const char* finishName(Finish finish) {
  static constexpr const char* kNames[] = {"none", "clear", "painted", "stained"};
  return kNames[static_cast<std::size_t>(finish)];
}

std::vector<std::pair<Finish, std::int64_t>> finishAreas(const std::vector<Part>& parts) {
  std::map<Finish, Area> areas;
  for (const Part& part : parts) {
    const FinishArea area = finishArea(part);
    areas[part.finish] += part.quantity * (area.inside + area.edges);
    areas[part.finishOutside.value_or(part.finish)] += part.quantity * area.outside;
  }
  std::vector<std::pair<Finish, std::int64_t>> out;
  for (const auto& [finish, area] : areas)
    if (finish != Finish::None && area > Area{}) out.emplace_back(finish, inCm2(area));
  return out;
}

}  // namespace pp

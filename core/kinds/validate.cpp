#include "core/kinds/validate.h"

#include <fmt/format.h>

#include <set>

#include "core/job/check.h"
#include "core/job/ids.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/kind.h"
#include "core/kinds/pieces.h"

namespace pp {
namespace {

class JobCheck : private Check {
 public:
  explicit JobCheck(const Job& job) : Check(job), job_(job) {}

  Problems run() {
    if (job_.fraction < 2 || job_.fraction > 64 || (job_.fraction & (job_.fraction - 1)) != 0)
      add("/fraction", std::to_string(job_.fraction), "2, 4, 8, 16, 32 or 64");
    if (job_.shareStep < Length{} || job_.shareStep > Length::in(1))
      add("/shareStep", formatMm(job_.shareStep), "0 to 25.4");
    saw();
    shop();
    labels();
    costing();
    for (std::size_t i = 0; i < job_.materials.size(); ++i) material(i);
    for (std::size_t i = 0; i < job_.bandings.size(); ++i) banding(i);
    for (std::size_t i = 0; i < job_.stock.size(); ++i) stock(i);
    for (std::size_t i = 0; i < job_.slides.size(); ++i) slide(i);
    for (std::size_t i = 0; i < job_.assemblies.size(); ++i) assembly(i);
    for (std::size_t i = 0; i < job_.loose.size(); ++i) loose(i);
    for (std::size_t i = 0; i < job_.bought.size(); ++i) bought(i);
    site();
    for (std::size_t i = 0; i < job_.route.size(); ++i) gate(i);
    for (std::size_t i = 0; i < job_.overrides.size(); ++i) partOverride(i);
    for (std::size_t i = 0; i < job_.pins.size(); ++i) pin(i);
    making();
    text("/id", job_.id);
    text("/name", job_.name);
    text("/place", job_.place);
    for (const Problem& problem : idProblems(job_))
      add(problem.field, problem.found, problem.expected);
    // What is wrong already could make nonsense of a count.
    if (problems().empty()) pieces();
    return problems();
  }

 private:
  void pieces() {
    for (std::size_t i = 0; i < job_.assemblies.size(); ++i) {
      const Assembly& one = job_.assemblies[i];
      const std::string at = fmt::format("/assemblies/{}", i);
      if (const auto count = piecesAtMost(job_, one); count > kMostPiecesOfAssembly)
        add(at, fmt::format("about {} pieces in {}", count, one.code),
            fmt::format(
                "at most {} in one assembly: its spacings, sections and counts make so many",
                kMostPiecesOfAssembly));
      if (const auto count = holesAtMost(one); count > kMostHolesOfAssembly)
        add(at, fmt::format("about {} pin holes in {}", count, one.code),
            fmt::format("at most {}: a larger pitch, or fewer openings with pins",
                        kMostHolesOfAssembly));
    }
    if (const auto count = piecesAtMost(job_); count > kMostPiecesOfJob)
      add("/assemblies", fmt::format("about {} pieces", count),
          fmt::format("at most {} in one job", kMostPiecesOfJob));
  }
  void saw() {
    notNegative("/saw/kerf", job_.saw.kerf);
    notNegative("/saw/trim", job_.saw.trim);
    notNegative("/saw/keepLong", job_.saw.keepLong);
    notNegative("/saw/keepShort", job_.saw.keepShort);
  }

  void shop() {
    std::set<std::string> names;
    if (job_.shop.machines.empty()) add("/shop/machines", "no saw", "at least one");
    for (std::size_t i = 0; i < job_.shop.machines.size(); ++i) {
      const Machine& row = job_.shop.machines[i];
      const std::string at = fmt::format("/shop/machines/{}", i);
      unique(names, at + "/name", row.name);
      if (row.kerf) notNegative(at + "/kerf", *row.kerf);
      notNegative(at + "/longestCut", row.longestCut);
      notNegative(at + "/reach", row.reach);
      notNegative(at + "/longestPiece", row.longestPiece);
    }
    notNegative("/shop/planerWidth", job_.shop.planerWidth);
    within("/shop/carryGrams", job_.shop.carryGrams, 0, 1'000'000);
    notNegative("/shop/carryLength", job_.shop.carryLength);
    notNegative("/shop/stripWidth", job_.shop.stripWidth);
    notNegative("/shop/stripLength", job_.shop.stripLength);
    atLeast("/shop/allowance", job_.shop.allowance, kLeastAllowance);
    notNegative("/shop/tolerance", job_.shop.tolerance);
    within("/shop/settingSeconds", job_.shop.settingSeconds, 0, 3'600);
    within("/shop/cutSeconds", job_.shop.cutSeconds, 0, 3'600);
    const Tools& tools = job_.shop.tools;
    notNegative("/shop/tools/dadoLeast", tools.dadoLeast);
    if (tools.dadoMost != Length{})
      atLeast("/shop/tools/dadoMost", tools.dadoMost, tools.dadoLeast);
    notNegative("/shop/tools/tableReach", tools.tableReach);
    notNegative("/shop/tools/fenceReach", tools.fenceReach);
    notNegative("/shop/tools/bandBeyond", tools.bandBeyond);
    constexpr Length kThinnestBit = Length::mm(1);
    for (std::size_t i = 0; i < tools.bits.size(); ++i)
      atLeast(fmt::format("/shop/tools/bits/{}", i), tools.bits[i], kThinnestBit);
  }

  void pin(std::size_t i) {
    const JobPin& row = job_.pins[i];
    const std::string at = fmt::format("/pins/{}", i);
    within(at + "/copies", row.copies, 1, 10'000);
    within(at + "/sheet", row.sheet, 1, 1'000'000);
    if (row.x.has_value() != row.y.has_value()) add(at, "half a place", "x and y, or neither");
    if (row.x) notNegative(at + "/x", *row.x);
    if (row.y) notNegative(at + "/y", *row.y);
    if (row.x && row.copies != 1) within(at + "/copies", row.copies, 1, 1);
  }

  void making() {
    for (std::size_t i = 0; i < job_.gluing.size(); ++i)
      if (job_.gluing[i].part == job_.gluing[i].mate)
        add(fmt::format("/gluing/{}/mate", i), keyText(job_.gluing[i].mate), "another part");
    for (std::size_t i = 0; i < job_.moved.size(); ++i)
      if (job_.moved[i].other == job_.moved[i].part)
        add(fmt::format("/moved/{}/other", i), keyText(job_.moved[i].part), "another part");
    const auto count = [this](const char* field, std::size_t size) {
      if (size > kMostMade)
        add(field, std::to_string(size), std::to_string(kMostMade) + " at most");
    };
    count("/gluing", job_.gluing.size());
    count("/moved", job_.moved.size());
  }

  void costing() {
    within("/costing/minutes", job_.costing.minutes, 0, 1'000'000);
    within("/costing/margin", job_.costing.margin, 0, 1'000);
    within("/costing/spare", job_.costing.spare, 0, 1'000);
  }

  void labels() {
    within("/labels/columns", job_.labels.columns, 1, 10);
    within("/labels/rows", job_.labels.rows, 1, 30);
    notNegative("/labels/marginLeft", job_.labels.marginLeft);
    notNegative("/labels/marginTop", job_.labels.marginTop);
    notNegative("/labels/gapAcross", job_.labels.gapAcross);
    notNegative("/labels/gapDown", job_.labels.gapDown);
  }

  void material(std::size_t i) {
    const Material& row = job_.materials[i];
    const std::string at = fmt::format("/materials/{}", i);
    unique(materialIds_, at + "/id", row.id);
    if (row.name.empty()) add(at + "/name", "nothing", "a name");
    text(at + "/name", row.name);
    positive(at + "/nominal", row.nominal);
    positive(at + "/measured", row.measured);
    within(at + "/density", row.density, 1, 30'000);
    notNegative(at + "/keepLong", row.keepLong.value_or(Length{}));
    notNegative(at + "/keepShort", row.keepShort.value_or(Length{}));
  }

  void banding(std::size_t i) {
    const Banding& row = job_.bandings[i];
    const std::string at = fmt::format("/bandings/{}", i);
    unique(bandingIds_, at + "/id", row.id);
    unique(bandingNames_, at + "/name", row.name);
    positive(at + "/thickness", row.thickness);
    positive(at + "/width", row.width);
    positive(at + "/rollLength", row.rollLength);
  }

  void stock(std::size_t i) {
    const StockPiece& row = job_.stock[i];
    const std::string at = fmt::format("/stock/{}", i);
    unique(stockMarks_, at + "/mark", row.mark);
    knownMaterial(at + "/material", row.material);
    text(at + "/lot", row.lot);
    if (row.measured) positive(at + "/measured", *row.measured);
    positive(at + "/length", row.length);
    positive(at + "/width", row.width);
    if (row.quantity) within(at + "/quantity", *row.quantity, 0, 1'000'000);
    if (row.trim) notNegative(at + "/trim", *row.trim);
    within(at + "/defects", std::ssize(row.defects), 0, std::int64_t{kMostDefects});
    for (std::size_t k = 0; k < row.defects.size(); ++k)
      if (!row.defects[k].isOn(row.length, row.width))
        add(fmt::format("{}/defects/{}", at, k), "off the piece", "a place on it");
  }

  void slide(std::size_t i) {
    const Slide& row = job_.slides[i];
    const std::string at = fmt::format("/slides/{}", i);
    unique(slideNames_, at + "/name", row.name);
    positive(at + "/length", row.length);
    notNegative(at + "/thickness", row.thickness);
    notNegative(at + "/setBack", row.setBack);
    if (row.below) notNegative(at + "/below", *row.below);
    if (row.above) notNegative(at + "/above", *row.above);
  }

  void assembly(std::size_t i) {
    const Assembly& row = job_.assemblies[i];
    const std::string at = fmt::format("/assemblies/{}", i);
    unique(assemblyCodes_, at + "/code", row.code);
    if (row.code == kLooseCode)
      add(at + "/code", "'L'", "another code, because L begins those of loose parts");
    within(at + "/copies", row.copies, 1, 1'000);
    text(at + "/name", row.name);
    text(at + "/lot", row.lot);
    const Kind& kind = kindOf(row);
    kind.check(*this, at + "/" + kind.field, row.body);
  }

  void bought(std::size_t i) {
    const std::string at = fmt::format("/bought/{}", i);
    if (job_.bought[i].name.empty()) add(at + "/name", "nothing", "a name");
    text(at + "/name", job_.bought[i].name);
    text(at + "/note", job_.bought[i].note, Lines::Many);
    within(at + "/quantity", job_.bought[i].quantity, 1, 10'000);
    const BoughtIn& row = job_.bought[i];
    within(at + "/have", row.have, 0, 10'000);
    text(at + "/material", row.material);
    noneNegative(at, {{"/length", row.length},
                      {"/width", row.width},
                      {"/thickness", row.thickness},
                      {"/oversize", row.oversize},
                      {"/clearance", row.clearance}});
    const Assembly* place = row.assembly == 0 ? nullptr : findAssembly(job_, row.assembly);
    if (row.assembly != 0 && place == nullptr)
      add(at + "/assembly", std::to_string(row.assembly), "the id of an assembly of this job");
    if (row.opening != 0 && (place == nullptr || !place->isCarcass() ||
                             openingOf(place->carcass().inside, row.opening) == nullptr))
      add(at + "/opening", std::to_string(row.opening), "the id of an opening of its assembly");
  }

  void site() {
    const Site& site = job_.site;
    constexpr std::size_t kMost = 200;
    for (const auto& [name, count] : {std::pair{"/site/sizes", site.sizes.size()},
                                      std::pair{"/site/obstacles", site.obstacles.size()}})
      if (count > kMost) add(name, std::to_string(count), fmt::format("at most {}", kMost));
    std::set<WallAt> walls;
    for (std::size_t i = 0; i < site.walls.size(); ++i) {
      const SiteWall& row = site.walls[i];
      const std::string at = fmt::format("/site/walls/{}", i);
      if (!walls.insert(row.at).second) add(at + "/at", "a wall a second time", "each wall once");
      text(at + "/madeOf", row.madeOf);
      noneNegative(at, {{"/mouldingThickness", row.mouldingThickness},
                        {"/mouldingHeight", row.mouldingHeight},
                        {"/firstStud", row.firstStud},
                        {"/studPitch", row.studPitch}});
      if (row.allowance) notNegative(at + "/allowance", *row.allowance);
      // A thousand studs a metre would be counted and drawn for ever.
      constexpr Length kLeastPitch = Length::mm(50);
      if (row.studPitch > Length{} && row.studPitch < kLeastPitch)
        add(at + "/studPitch", formatMm(row.studPitch), "0, or 50 and more");
    }
    for (std::size_t i = 0; i < site.sizes.size(); ++i) size(site, i);
    for (std::size_t i = 0; i < site.obstacles.size(); ++i) {
      const Obstacle& row = site.obstacles[i];
      const std::string at = fmt::format("/site/obstacles/{}", i);
      text(at + "/name", row.name);
      noneNegative(at, {{"/along", row.along}, {"/up", row.up}, {"/out", row.out}});
      positive(at + "/width", row.width);
      positive(at + "/height", row.height);
    }
    std::set<Id> stand;
    for (std::size_t i = 0; i < site.stands.size(); ++i) {
      const SiteStand& row = site.stands[i];
      const std::string at = fmt::format("/site/stands/{}", i);
      const Assembly* one = findAssembly(job_, row.assembly);
      if (one == nullptr)
        add(at + "/assembly", std::to_string(row.assembly), "the id of an assembly of this job");
      if (!stand.insert(row.assembly).second)
        add(at + "/assembly", "an assembly a second time", "one place for each");
      noneNegative(at, {{"/along", row.along}, {"/up", row.up}});
      if (row.fills && one != nullptr && !one->isCarcass() &&
          !std::holds_alternative<CarcassGroup>(one->body))
        add(at + "/fills", "true", "a carcass or a group: nothing else is made as wide as a wall");
    }
  }

  void size(const Site& site, std::size_t i) {
    const SiteSize& row = site.sizes[i];
    const std::string at = fmt::format("/site/sizes/{}", i);
    notNegative(at + "/at", row.at);
    if (row.kind == SizeKind::Plumb) positive(at + "/at", row.at);
    const bool ofASide = row.kind == SizeKind::Depth || row.kind == SizeKind::Plumb ||
                         row.kind == SizeKind::Diagonal;
    if (ofASide == (row.wall == WallAt::Back))
      add(at + "/wall", ofASide ? "back" : "a wall at a side", ofASide ? "left or right" : "back");
    for (const auto& [name, value] :
         {std::pair{"/first", row.read.first}, std::pair{"/second", row.read.second},
          std::pair{"/third", row.read.third}}) {
      if (!value) continue;
      if (isSigned(row.kind)) {
        constexpr Length kMostOff = Length::mm(1'000);
        if (*value > kMostOff || *value < -kMostOff)
          add(at + name, formatMm(*value), "between -1000 and 1000");
      } else {
        positive(at + name, *value);
      }
    }
  }

  void gate(std::size_t i) {
    const Gate& row = job_.route[i];
    const std::string at = fmt::format("/route/{}", i);
    text(at + "/name", row.name);
    noneNegative(at, {{"/width", row.width},
                      {"/height", row.height},
                      {"/depth", row.depth},
                      {"/into", row.into}});
    within(at + "/turns", row.turns, 0, 20);
    within(at + "/pitch", row.pitch, 0, 60);
    within(at + "/people", row.people, 0, 100);
    within(at + "/grams", row.grams, 0, 1'000'000);
    for (const std::string& field : unusedFields(row))
      add(at + "/" + field, "a value that a " + gateWords(row.kind) + " does not use", "nothing");
    for (const std::string& field : missingFields(row))
      add(at + "/" + field, "nothing", "a value above 0");
  }

  void partOverride(std::size_t i) {
    const PartOverride& row = job_.overrides[i];
    const std::string at = fmt::format("/overrides/{}", i);
    if (!overridden_.insert({row.part, row.alike}).second)
      add(at + "/part", keyText(row.part) + " a second time", "one choice a part");
    if (row.why.empty()) add(at + "/why", "nothing", "the reason for it");
    text(at + "/why", row.why, Lines::Many);
    if (row.length) positive(at + "/length", *row.length);
    if (row.width) positive(at + "/width", *row.width);
    if (row.material) knownMaterial(at + "/material", *row.material);
    if (row.banding) knownBanding(at + "/banding", *row.banding);
    if (row.oversize) notNegative(at + "/oversize", *row.oversize);
    if (row.reads) {
      notNegative(at + "/reads/allowance", row.reads->allowance);
      if (row.reads->readings.size() > kMostReadings)
        add(at + "/reads/readings", std::to_string(row.reads->readings.size()), "at most 8");
      for (std::size_t k = 0; k < row.reads->readings.size(); ++k)
        positive(fmt::format("{}/reads/readings/{}", at, k), row.reads->readings[k]);
    }
    std::set<Side> sides;
    for (std::size_t k = 0; k < row.edges.size(); ++k) {
      const std::string here = fmt::format("{}/edges/{}", at, k);
      if (!sides.insert(row.edges[k].side).second)
        add(here + "/side", sideName(row.edges[k].side) + " a second time", "each edge once");
      if (row.edges[k].banding) knownBanding(here + "/banding", *row.edges[k].banding);
    }
    for (std::size_t k = 0; k < row.features.size(); ++k)
      check(*this, fmt::format("{}/features/{}", at, k), row.features[k]);
  }

  void loose(std::size_t i) { check(*this, fmt::format("/loose/{}", i), job_.loose[i]); }

  const Job& job_;
  std::set<std::string> materialIds_, bandingIds_, bandingNames_, stockMarks_, slideNames_,
      assemblyCodes_;
  std::set<std::pair<PartKey, bool>> overridden_;
};

}  // namespace

Problems validate(const Job& job) {
  return JobCheck(job).run();
}

}  // namespace pp

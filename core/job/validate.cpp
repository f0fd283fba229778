#include <fmt/format.h>
#include <fmt/ranges.h>

#include <set>

#include "core/job/ids.h"
#include "core/job/job.h"
#include "core/job/pieces.h"
#include "core/result/text.h"

namespace pp {
namespace {

constexpr int kDeepestOpening = 40;
constexpr std::size_t kLongestName = 500;  // bytes
constexpr std::size_t kLongestNote = 5'000;
// Below these a spacing is a slip of the hand, and what it divides comes to thousands of pieces.
constexpr Length kLeastSpacing = Length::mm(20);
constexpr Length kLeastSection = Length::mm(100);
constexpr Length kLeastPitch = Length::mm(5);

class Validator {
 public:
  explicit Validator(const Job& job) : job_(job) {}

  Problems run() {
    if (job_.fraction < 2 || job_.fraction > 64 || (job_.fraction & (job_.fraction - 1)) != 0)
      add("/fraction", std::to_string(job_.fraction), "2, 4, 8, 16, 32 or 64");
    saw();
    shop();
    labels();
    for (std::size_t i = 0; i < job_.materials.size(); ++i) material(i);
    for (std::size_t i = 0; i < job_.bandings.size(); ++i) banding(i);
    for (std::size_t i = 0; i < job_.stock.size(); ++i) stock(i);
    for (std::size_t i = 0; i < job_.slides.size(); ++i) slide(i);
    for (std::size_t i = 0; i < job_.assemblies.size(); ++i) assembly(i);
    for (std::size_t i = 0; i < job_.loose.size(); ++i) loose(i);
    for (std::size_t i = 0; i < job_.bought.size(); ++i) bought(i);
    for (std::size_t i = 0; i < job_.overrides.size(); ++i) partOverride(i);
    for (std::size_t i = 0; i < job_.pins.size(); ++i) pin(i);
    text("/id", job_.id);
    text("/name", job_.name);
    text("/place", job_.place);
    for (const Problem& problem : idProblems(job_)) problems_.push_back(problem);
    // What is wrong already could make nonsense of a count.
    if (problems_.empty()) pieces();
    return std::move(problems_);
  }

 private:
  void add(const std::string& field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, field, found, expected});
  }
  void positive(const std::string& field, Length value) {
    if (value <= Length{} || value > kLongest) add(field, formatMm(value), "a length above 0");
  }
  void notNegative(const std::string& field, Length value) {
    if (value < Length{} || value > kLongest) add(field, formatMm(value), "a length of 0 or more");
  }
  void within(const std::string& field, std::int64_t value, std::int64_t least, std::int64_t most) {
    if (value < least || value > most)
      add(field, std::to_string(value), fmt::format("a whole number from {} to {}", least, most));
  }
  void atLeast(const std::string& field, Length value, Length least) {
    if (value < least || value > kLongest)
      add(field, formatMm(value), fmt::format("a length of at least {} mm", formatMm(least)));
  }
  void text(const std::string& field, const std::string& value, Lines lines = Lines::One) {
    const std::size_t most = lines == Lines::One ? kLongestName : kLongestNote;
    if (value.size() > most)
      add(field, fmt::format("a text of {} bytes", value.size()),
          fmt::format("at most {} bytes", most));
    if (const auto hidden = hiddenCharacter(value, lines))
      add(field, *hidden, "a text that can be read as it is");
  }
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
  void unique(std::set<std::string>& seen, const std::string& field, const std::string& value) {
    text(field, value);
    if (value.empty())
      add(field, "nothing", "a name");
    else if (!seen.insert(value).second)
      add(field, "'" + value + "' a second time", "a name of its own");
  }
  void knownMaterial(const std::string& field, const std::string& id) {
    if (findMaterial(job_, id) == nullptr)
      add(field, "'" + id + "'", "the id of a material of this job");
  }
  void knownBanding(const std::string& field, const std::string& name) {
    if (!name.empty() && findBanding(job_, name) == nullptr)
      add(field, "'" + name + "'", "the id of a banding of this job, or nothing");
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
    within("/shop/carryGrams", job_.shop.carryGrams, 0, 1'000'000);
    notNegative("/shop/carryLength", job_.shop.carryLength);
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
  }

  void slide(std::size_t i) {
    const Slide& row = job_.slides[i];
    const std::string at = fmt::format("/slides/{}", i);
    unique(slideNames_, at + "/name", row.name);
    positive(at + "/length", row.length);
    notNegative(at + "/thickness", row.thickness);
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
    std::visit([&](const auto& one) { body(at, one); }, row.body);
  }

  using Named = std::pair<const char*, Length>;
  void allPositive(const std::string& at, std::initializer_list<Named> rows) {
    for (const auto& [name, value] : rows) positive(at + name, value);
  }
  void noneNegative(const std::string& at, std::initializer_list<Named> rows) {
    for (const auto& [name, value] : rows) notNegative(at + name, value);
  }

  void body(const std::string& at, const Carcass& one) { carcass(at + "/carcass", one); }

  void body(const std::string& at, const CarcassGroup& group) {
    const std::string here = at + "/group";
    if (group.members.empty()) add(here + "/members", "nothing", "at least one carcass");
    std::set<std::string> seen;
    for (std::size_t i = 0; i < group.members.size(); ++i) {
      const std::string field = fmt::format("{}/members/{}", here, i);
      const Assembly* member = findAssembly(job_, group.members[i]);
      if (member == nullptr || !member->isCarcass())
        add(field, std::to_string(group.members[i]), "the id of a carcass of this job");
      else
        unique(seen, field, member->code);
    }
    if (group.stand) stand(here + "/stand", *group.stand);
    if (group.frame) frame(here + "/frame", *group.frame);
    if (group.top) top(here + "/top", *group.top);
  }

  void body(const std::string& at, const Top& one) { top(at + "/top", one); }

  void top(const std::string& at, const Top& top) {
    allPositive(at, {{"/width", top.width}, {"/depth", top.depth}});
    atLeast(at + "/stripEvery", top.stripEvery, kLeastSpacing);
    atLeast(at + "/longest", top.longest, kLeastSection);
    noneNegative(at, {{"/overLeft", top.overLeft},
                      {"/overRight", top.overRight},
                      {"/overFront", top.overFront},
                      {"/overBack", top.overBack},
                      {"/oversize", top.oversize},
                      {"/strip", top.strip},
                      {"/edging", top.edging}});
    knownMaterial(at + "/material", top.material);
    if (!top.lowerMaterial.empty()) knownMaterial(at + "/lowerMaterial", top.lowerMaterial);
    if (!top.edgingMaterial.empty()) knownMaterial(at + "/edgingMaterial", top.edgingMaterial);
  }

  void body(const std::string& at, const BaseFrame& frame) {
    const std::string here = at + "/baseFrame";
    allPositive(here,
                {{"/width", frame.width}, {"/depth", frame.depth}, {"/height", frame.height}});
    atLeast(here + "/crossEvery", frame.crossEvery, kLeastSpacing);
    atLeast(here + "/longest", frame.longest, kLeastSection);
    knownMaterial(here + "/material", frame.material);
  }

  void body(const std::string& at, const WallPanel& panel) {
    const std::string here = at + "/wallPanel";
    allPositive(
        here,
        {{"/width", panel.width}, {"/height", panel.height}, {"/cleatHeight", panel.cleatHeight}});
    notNegative(here + "/setIn", panel.setIn);
    within(here + "/cleats", panel.cleats, 1, 10);
    knownMaterial(here + "/material", panel.material);
    knownMaterial(here + "/cleatMaterial", panel.cleatMaterial);
    knownBanding(here + "/banding", panel.banding);
  }

  void body(const std::string& at, const SeatBox& seat) {
    const std::string here = at + "/seatBox";
    allPositive(here, {{"/width", seat.width},
                       {"/height", seat.height},
                       {"/depth", seat.depth},
                       {"/hingeRail", seat.hingeRail},
                       {"/bracketTop", seat.bracketTop}});
    noneNegative(here, {{"/lidGap", seat.lidGap},
                        {"/overFront", seat.overFront},
                        {"/backHeight", seat.backHeight}});
    within(here + "/lids", seat.lids, 1, 10);
    angle(here + "/lean", seat.lean, 0, 45);
    if (seat.batten) baseboard(here + "/batten", *seat.batten);
    knownMaterial(here + "/material", seat.material);
    knownBanding(here + "/banding", seat.banding);
  }

  void body(const std::string& at, const Platform& platform) {
    const std::string here = at + "/platform";
    allPositive(
        here,
        {{"/width", platform.width}, {"/depth", platform.depth}, {"/height", platform.height}});
    within(here + "/across", platform.across, 1, 20);
    within(here + "/deep", platform.deep, 1, 20);
    knownMaterial(here + "/material", platform.material);
  }

  void body(const std::string& at, const Ring& ring) {
    const std::string here = at + "/ring";
    within(here + "/pieces", ring.pieces, 3, 100);
    allPositive(here, {{"/side", ring.side}, {"/width", ring.width}});
    knownMaterial(here + "/material", ring.material);
  }

  void body(const std::string& at, const Boards& boards) {
    const std::string here = at + "/boards/boards";
    if (boards.boards.empty()) add(here, "nothing", "at least one board");
    for (std::size_t i = 0; i < boards.boards.size(); ++i)
      board(fmt::format("{}/{}", here, i), boards.boards[i]);
  }

  void angle(const std::string& field, Angle value, std::int64_t least, std::int64_t most) {
    constexpr double kMillidegrees = 1000;
    if (value < Angle::degrees(least) || value > Angle::degrees(most))
      add(field, fmt::format("{}", static_cast<double>(value.inMillidegrees()) / kMillidegrees),
          fmt::format("{} to {} degrees", least, most));
  }

  void bought(std::size_t i) {
    const std::string at = fmt::format("/bought/{}", i);
    if (job_.bought[i].name.empty()) add(at + "/name", "nothing", "a name");
    text(at + "/name", job_.bought[i].name);
    text(at + "/note", job_.bought[i].note, Lines::Many);
    within(at + "/quantity", job_.bought[i].quantity, 1, 10'000);
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
    if (row.banding) knownBanding(at + "/banding", *row.banding);
  }

  void loose(std::size_t i) { board(fmt::format("/loose/{}", i), job_.loose[i]); }

  void board(const std::string& at, const LooseBoard& row) {
    text(at + "/name", row.name);
    knownMaterial(at + "/material", row.material);
    within(at + "/quantity", row.quantity, 1, 10'000);
    positive(at + "/length", row.length);
    positive(at + "/width", row.width);
    knownBanding(at + "/bandLong", row.bandLong);
    knownBanding(at + "/bandShort", row.bandShort);
    if (row.farLong) knownBanding(at + "/farLong", *row.farLong);
    if (row.farShort) knownBanding(at + "/farShort", *row.farShort);
    for (std::size_t i = 0; i < row.features.size(); ++i) {
      const Feature& one = row.features[i];
      const std::string here = fmt::format("{}/features/{}", at, i);
      noneNegative(here, {{"/along", one.along},
                          {"/across", one.across},
                          {"/length", one.length},
                          {"/width", one.width},
                          {"/size", one.size},
                          {"/depth", one.depth}});
      angle(here + "/angle", one.angle, -60, 60);
      for (const std::string& field : unusedFields(one))
        add(here + "/" + field, "a value that this shape does not use",
            fmt::format("nothing; it has {}", fmt::join(fieldsOf(one.kind), ", ")));
    }
  }

  void carcass(const std::string& at, const Carcass& carcass) {
    positive(at + "/width", carcass.width);
    positive(at + "/height", carcass.height);
    positive(at + "/depth", carcass.depth);
    knownMaterial(at + "/material", carcass.material);
    knownBanding(at + "/banding", carcass.banding);
    positive(at + "/dadoDepth", carcass.dadoDepth);
    knownMaterial(at + "/back/material", carcass.back.material);
    allPositive(at, {{"/topRabbet", carcass.topRabbet},
                     {"/stretcher", carcass.stretcher},
                     {"/back/rabbetDepth", carcass.back.rabbetDepth}});
    noneNegative(at, {{"/wallLeft", carcass.wallLeft},
                      {"/wallRight", carcass.wallRight},
                      {"/back/setIn", carcass.back.setIn}});
    notNegative(at + "/back/clearance", carcass.back.clearance);
    if (carcass.toe) {
      positive(at + "/toe/height", carcass.toe->height);
      positive(at + "/toe/depth", carcass.toe->depth);
    }
    if (carcass.baseboard) baseboard(at + "/baseboard", *carcass.baseboard);
    if (carcass.toe && carcass.stand) add(at + "/stand", "a stand beside a toe", "one of them");
    if (carcass.stand) stand(at + "/stand", *carcass.stand);
    if (carcass.cleat) {
      knownMaterial(at + "/cleat/material", carcass.cleat->material);
      positive(at + "/cleat/height", carcass.cleat->height);
    }
    if (carcass.frame) frame(at + "/frame", *carcass.frame);
    fronts(at + "/fronts", carcass.fronts);
    shelves(at + "/shelves", carcass.shelves);
    drawers(at + "/drawers", carcass.drawers);
    opening(at + "/inside", carcass.inside, 0);
  }

  void baseboard(const std::string& at, const Baseboard& one) {
    positive(at + "/thickness", one.thickness);
    positive(at + "/height", one.height);
  }

  void stand(const std::string& at, const Stand& stand) {
    positive(at + "/height", stand.height);
    atLeast(at + "/crossEvery", stand.crossEvery, kLeastSpacing);
    atLeast(at + "/longest", stand.longest, kLeastSection);
    notNegative(at + "/setIn", stand.setIn);
    if (stand.kind == StandKind::Frame || stand.kind == StandKind::Runners)
      knownMaterial(at + "/material", stand.material);
  }

  void frame(const std::string& at, const FaceFrame& frame) {
    knownMaterial(at + "/material", frame.material);
    allPositive(at, {{"/stile", frame.stile},
                     {"/rail", frame.rail},
                     {"/middle", frame.middle},
                     {"/tongue", frame.tongue}});
    noneNegative(at,
                 {{"/overhangLeft", frame.overhangLeft}, {"/overhangRight", frame.overhangRight}});
  }

  void fronts(const std::string& at, const FrontRules& fronts) {
    knownMaterial(at + "/material", fronts.material);
    knownBanding(at + "/banding", fronts.banding);
    if (!fronts.panelMaterial.empty()) knownMaterial(at + "/panelMaterial", fronts.panelMaterial);
    allPositive(at, {{"/frameWidth", fronts.frameWidth}, {"/tongue", fronts.tongue}});
    noneNegative(at, {{"/gap", fronts.gap},
                      {"/overlay", fronts.overlay},
                      {"/panelClearance", fronts.panelClearance},
                      {"/pullFromEdge", fronts.pullFromEdge}});
  }

  void shelves(const std::string& at, const ShelfRules& rules) {
    notNegative(at + "/clearance", rules.clearance);
    notNegative(at + "/setBack", rules.setBack);
    notNegative(at + "/lip", rules.lip);
    atLeast(at + "/pinPitch", rules.pinPitch, kLeastPitch);
    positive(at + "/pinSetBack", rules.pinSetBack);
    positive(at + "/pinDiameter", rules.pinDiameter);
    positive(at + "/pinDepth", rules.pinDepth);
  }

  void drawers(const std::string& at, const DrawerRules& rules) {
    knownMaterial(at + "/boxMaterial", rules.boxMaterial);
    knownMaterial(at + "/bottomMaterial", rules.bottomMaterial);
    positive(at + "/runnerHeight", rules.runnerHeight);
    notNegative(at + "/ease", rules.ease);
    notNegative(at + "/lowerClearance", rules.lowerClearance);
    notNegative(at + "/upperClearance", rules.upperClearance);
    notNegative(at + "/slideReserve", rules.slideReserve);
    positive(at + "/grooveDepth", rules.grooveDepth);
    positive(at + "/grooveUp", rules.grooveUp);
    notNegative(at + "/bottomClearance", rules.bottomClearance);
    positive(at + "/frontRabbet", rules.frontRabbet);
    positive(at + "/backDado", rules.backDado);
    notNegative(at + "/backSetIn", rules.backSetIn);
  }

  void shares(const std::string& at, const std::vector<Share>& shares) {
    for (std::size_t i = 0; i < shares.size(); ++i)
      if (shares[i].fixed) positive(fmt::format("{}/{}", at, i), *shares[i].fixed);
  }

  void opening(const std::string& at, const Opening& opening, int depth) {
    if (depth > kDeepestOpening)
      return add(at, "openings deeper than 40", "at most 40 openings inside one another");
    if (const auto* loose = std::get_if<LooseShelves>(&opening.content)) {
      within(at + "/count", loose->count, 1, 50);
    } else if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content)) {
      within(at + "/count", pins->count, 1, 50);
    } else if (const auto* bank = std::get_if<DrawerBank>(&opening.content)) {
      within(at + "/fronts", static_cast<std::int64_t>(bank->fronts.size()), 1, 50);
      shares(at + "/fronts", bank->fronts);
      if (bank->boxHeight) positive(at + "/boxHeight", *bank->boxHeight);
    } else if (const auto* split = std::get_if<Split>(&opening.content)) {
      within(at + "/sizes", static_cast<std::int64_t>(split->sizes.size()), 2, 50);
      if (split->sizes.size() != split->children.size())
        return add(at + "/children", std::to_string(split->children.size()),
                   "as many openings as sizes");
      shares(at + "/sizes", split->sizes);
      for (std::size_t i = 0; i < split->children.size(); ++i)
        this->opening(fmt::format("{}/children/{}", at, i), split->children[i], depth + 1);
    }
  }

  const Job& job_;
  Problems problems_;
  std::set<std::string> materialIds_, bandingIds_, bandingNames_, stockMarks_, slideNames_,
      assemblyCodes_;
  std::set<std::pair<PartKey, bool>> overridden_;
};

}  // namespace

Problems validate(const Job& job) {
  return Validator(job).run();
}

}  // namespace pp

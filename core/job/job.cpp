#include "core/job/job.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

namespace pp {
namespace {

template <class T, class Key>
const T* findBy(const std::vector<T>& rows, Key T::*key, const std::string& wanted) {
  const auto at =
      std::find_if(rows.begin(), rows.end(), [&](const T& row) { return row.*key == wanted; });
  return at == rows.end() ? nullptr : &*at;
}

constexpr int kDeepestOpening = 40;

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
    for (std::size_t i = 0; i < job_.pins.size(); ++i) pin(i);
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
  void unique(std::set<std::string>& seen, const std::string& field, const std::string& value) {
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
      add(field, "'" + name + "'", "the name of a banding of this job, or nothing");
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
    positive(at + "/nominal", row.nominal);
    positive(at + "/measured", row.measured);
    within(at + "/density", row.density, 1, 30'000);
  }

  void banding(std::size_t i) {
    const Banding& row = job_.bandings[i];
    const std::string at = fmt::format("/bandings/{}", i);
    unique(bandingNames_, at + "/name", row.name);
    positive(at + "/thickness", row.thickness);
    positive(at + "/width", row.width);
    positive(at + "/rollLength", row.rollLength);
  }

  void stock(std::size_t i) {
    const StockPiece& row = job_.stock[i];
    const std::string at = fmt::format("/stock/{}", i);
    unique(stockIds_, at + "/id", row.id);
    knownMaterial(at + "/material", row.material);
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
    positive(at + "/thickness", row.thickness);
  }

  void assembly(std::size_t i) {
    const Assembly& row = job_.assemblies[i];
    const std::string at = fmt::format("/assemblies/{}", i);
    unique(assemblyCodes_, at + "/code", row.code);
    if (row.code == kLooseCode)
      add(at + "/code", "'L'", "another code, because L begins those of loose parts");
    carcass(at + "/carcass", row.carcass);
  }

  void loose(std::size_t i) {
    const LooseBoard& row = job_.loose[i];
    const std::string at = fmt::format("/loose/{}", i);
    knownMaterial(at + "/material", row.material);
    within(at + "/quantity", row.quantity, 1, 10'000);
    positive(at + "/length", row.length);
    positive(at + "/width", row.width);
    knownBanding(at + "/bandLong", row.bandLong);
    knownBanding(at + "/bandShort", row.bandShort);
  }

  void carcass(const std::string& at, const Carcass& carcass) {
    positive(at + "/width", carcass.width);
    positive(at + "/height", carcass.height);
    positive(at + "/depth", carcass.depth);
    knownMaterial(at + "/material", carcass.material);
    knownBanding(at + "/banding", carcass.banding);
    positive(at + "/dadoDepth", carcass.dadoDepth);
    knownMaterial(at + "/back/material", carcass.back.material);
    positive(at + "/back/rabbetDepth", carcass.back.rabbetDepth);
    notNegative(at + "/back/clearance", carcass.back.clearance);
    if (carcass.toe) {
      positive(at + "/toe/height", carcass.toe->height);
      positive(at + "/toe/depth", carcass.toe->depth);
    }
    shelves(at + "/shelves", carcass.shelves);
    drawers(at + "/drawers", carcass.drawers);
    opening(at + "/inside", carcass.inside, 0);
  }

  void shelves(const std::string& at, const ShelfRules& rules) {
    notNegative(at + "/clearance", rules.clearance);
    notNegative(at + "/setBack", rules.setBack);
    positive(at + "/pinPitch", rules.pinPitch);
    positive(at + "/pinSetBack", rules.pinSetBack);
    positive(at + "/pinDiameter", rules.pinDiameter);
    positive(at + "/pinDepth", rules.pinDepth);
  }

  void drawers(const std::string& at, const DrawerRules& rules) {
    knownMaterial(at + "/boxMaterial", rules.boxMaterial);
    knownMaterial(at + "/bottomMaterial", rules.bottomMaterial);
    knownMaterial(at + "/frontMaterial", rules.frontMaterial);
    knownBanding(at + "/frontBanding", rules.frontBanding);
    notNegative(at + "/gap", rules.gap);
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
    if (const auto* pins = std::get_if<AdjustableShelves>(&opening.content)) {
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
  std::set<std::string> materialIds_, bandingNames_, stockIds_, slideNames_, assemblyCodes_;
};

}  // namespace

const Material* findMaterial(const Job& job, const std::string& id) {
  return findBy(job.materials, &Material::id, id);
}

const Banding* findBanding(const Job& job, const std::string& name) {
  return findBy(job.bandings, &Banding::name, name);
}

const Assembly* findAssembly(const Job& job, const std::string& code) {
  return findBy(job.assemblies, &Assembly::code, code);
}

std::string assemblyTitle(const Job& job, const std::string& code) {
  if (code == kLooseCode) return code + "  loose parts";
  const Assembly* assembly = findAssembly(job, code);
  return assembly == nullptr ? code : code + "  " + assembly->name;
}

LengthStyle styleOf(const Job& job) {
  LengthStyle style;
  style.unit = job.unit;
  style.denominator = job.fraction;
  return style;
}

Problems validate(const Job& job) {
  return Validator(job).run();
}

}  // namespace pp

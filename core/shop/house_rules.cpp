#include "core/shop/house_rules.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/formats/job_json.h"
#include "core/job/ids.h"

namespace pp {
namespace {

void takeRules(Job& to, const Job& from) {
  to.unit = from.unit;
  to.fraction = from.fraction;
  to.shareStep = from.shareStep;
  to.saw = from.saw;
  to.shop = from.shop;
  for (Machine& saw : to.shop.machines) saw.id = 0;
  to.labels = from.labels;
  to.costing = from.costing;
  to.costing.minutes = 0;
}

// Of a and b that there is of b by name or mark only once.
template <class Rows, class Same>
void addMissing(Rows& to, const Rows& from, const Same& same) {
  for (const auto& row : from)
    if (std::none_of(to.begin(), to.end(), [&](const auto& known) { return same(known, row); }))
      to.push_back(row);
}

class Differences {
 public:
  explicit Differences(const LengthStyle& style) : style_(style) {}
  void add(const char* what, Length own, Length shops) {
    if (own != shops) say(what, formatWithUnit(own, style_), formatWithUnit(shops, style_));
  }
  void add(const char* what, Money own, Money shops) {
    if (own != shops) say(what, format(own), format(shops));
  }
  void add(const char* what, std::int64_t own, std::int64_t shops, const char* unit = "") {
    if (own != shops) say(what, fmt::format("{}{}", own, unit), fmt::format("{}{}", shops, unit));
  }
  void add(const char* what, bool same) {
    if (!same) out_.push_back(fmt::format("{} otherwise than the shop's", what));
  }
  std::vector<std::string> take() { return std::move(out_); }

 private:
  void say(const char* what, const std::string& own, const std::string& shops) {
    out_.push_back(fmt::format("{} {}, the shop's {}", what, own, shops));
  }
  LengthStyle style_;
  std::vector<std::string> out_;
};

bool sameSaws(std::vector<Machine> own, std::vector<Machine> shops) {
  for (auto* saws : {&own, &shops})
    for (Machine& one : *saws) one.id = 0;
  return own == shops;
}

}  // namespace

std::string houseRulesName(Unit unit) {
  return unit == Unit::Inch ? "house rules in" : "house rules mm";
}

std::string houseRulesOf(const Job& job) {
  Job rules;
  rules.id = "house-rules";
  rules.name = "house rules";
  takeRules(rules, job);
  rules.materials = job.materials;
  rules.bandings = job.bandings;
  rules.slides = job.slides;
  for (Slide& slide : rules.slides) slide.id = 0;
  for (StockPiece piece : job.stock) {
    if (piece.store != 0 || piece.quantity) continue;
    piece.id = 0;
    rules.stock.push_back(std::move(piece));
  }
  giveIds(rules);
  return writeJob(rules);
}

Result<Job> withHouseRules(Job job, const std::string& text) {
  const auto rules = readJob("house rules", text);
  if (!rules) return rules.problems();
  if (rules->unit != job.unit)
    return Problem{"house rules", 0, "unit", "another unit", "the job's own"};
  const bool fresh = job.assemblies.empty() && job.loose.empty();
  takeRules(job, *rules);
  if (fresh) {
    job.materials.clear();
    job.bandings.clear();
    job.slides.clear();
    job.stock = {};
  }
  addMissing(job.materials, rules->materials,
             [](const Material& a, const Material& b) { return a.id == b.id; });
  addMissing(job.bandings, rules->bandings,
             [](const Banding& a, const Banding& b) { return a.id == b.id || a.name == b.name; });
  std::vector<Slide> slides = rules->slides;
  for (Slide& slide : slides) slide.id = 0;
  addMissing(job.slides, slides, [](const Slide& a, const Slide& b) { return a.name == b.name; });
  for (StockPiece piece : rules->stock) {
    piece.id = 0;
    const bool known = std::any_of(job.stock.begin(), job.stock.end(),
                                   [&](const StockPiece& one) { return one.mark == piece.mark; });
    if (!known) job.stock.push_back(std::move(piece));
  }
  giveIds(job);
  return job;
}

std::vector<std::string> ruleDifferences(const Job& job, const std::string& text) {
  if (text.empty()) return {};
  const auto rules = readJob("house rules", text);
  if (!rules || rules->unit != job.unit) return {};
  Differences out(styleOf(job));
  out.add("kerf", job.saw.kerf, rules->saw.kerf);
  out.add("trim", job.saw.trim, rules->saw.trim);
  out.add("leftovers kept from", job.saw.keepLong, rules->saw.keepLong);
  out.add("by", job.saw.keepShort, rules->saw.keepShort);
  out.add("pay for ease", job.saw.ease, rules->saw.ease);
  out.add("saws", sameSaws(job.shop.machines, rules->shop.machines));
  out.add("one carries", job.shop.carryGrams / 1000, rules->shop.carryGrams / 1000, " kg");
  out.add("and as long as", job.shop.carryLength, rules->shop.carryLength);
  out.add("strips up to", job.shop.stripWidth, rules->shop.stripWidth);
  out.add("strips as long as", job.shop.stripLength, rules->shop.stripLength);
  out.add("kept round parts", job.shop.allowance, rules->shop.allowance);
  out.add("first piece within", job.shop.tolerance, rules->shop.tolerance);
  out.add("a setting takes", job.shop.settingSeconds, rules->shop.settingSeconds, " s");
  out.add("a cut takes", job.shop.cutSeconds, rules->shop.cutSeconds, " s");
  out.add("dado stack from", job.shop.tools.dadoLeast, rules->shop.tools.dadoLeast);
  out.add("dado stack to", job.shop.tools.dadoMost, rules->shop.tools.dadoMost);
  out.add("router bits", job.shop.tools.bits == rules->shop.tools.bits);
  out.add("router table reaches", job.shop.tools.tableReach, rules->shop.tools.tableReach);
  out.add("saw's fence reaches", job.shop.tools.fenceReach, rules->shop.tools.fenceReach);
  out.add("banding beyond an edge", job.shop.tools.bandBeyond, rules->shop.tools.bandBeyond);
  out.add("banded first", job.shop.tools.bandFirst == rules->shop.tools.bandFirst);
  out.add("first edge", job.shop.cleaning == rules->shop.cleaning);
  out.add("planer", job.shop.planerWidth, rules->shop.planerWidth);
  out.add("step of shared sizes", job.shareStep, rules->shareStep);
  out.add("fraction", std::int64_t{job.fraction}, std::int64_t{rules->fraction});
  out.add("label sheet", job.labels == rules->labels);
  out.add("rate of an hour", job.costing.rate, rules->costing.rate);
  out.add("margin", job.costing.margin, rules->costing.margin, " %");
  return out.take();
}

}  // namespace pp

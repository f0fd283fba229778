#include "tests/core/support.h"

#include <fstream>
#include <sstream>

namespace pp::test {

Job metricJob() {
  Job job;
  job.name = "test";
  job.materials = {{"b18", "birch", Length::mm(18), Length::mm(18), true, Tone::Birch, 650},
                   {"b12", "birch", Length::mm(12), Length::mm(12), true, Tone::Birch, 650},
                   {"b6", "birch", Length::mm(6), Length::mm(6), true, Tone::Birch, 650}};
  job.bandings = {{"edge", Length::mm(2), Length::mm(22), Money{}, Length::mm(50'000), true}};
  for (const Material& material : job.materials) {
    StockPiece sheet;
    sheet.id = material.id + "-sheet";
    sheet.material = material.id;
    sheet.length = Length::mm(2440);
    sheet.width = Length::mm(1220);
    sheet.price = Money::whole(50);
    job.stock.push_back(sheet);
  }
  for (const int length : {250, 300, 350, 400, 450, 500})
    job.slides.push_back({"slide " + std::to_string(length), Length::mm(length)});
  return job;
}

Assembly metricCarcass() {
  Assembly assembly;
  assembly.code = "B1";
  assembly.name = "base";
  Carcass& carcass = assembly.carcass;
  carcass.material = "b18";
  carcass.back.material = "b6";
  carcass.drawers.boxMaterial = "b12";
  carcass.drawers.bottomMaterial = "b6";
  carcass.drawers.frontMaterial = "b18";
  return assembly;
}

Job jobWith(const Carcass& carcass) {
  Job job = metricJob();
  Assembly assembly = metricCarcass();
  assembly.carcass = carcass;
  job.assemblies = {assembly};
  return job;
}

std::string demo(const std::string& name) {
  std::ifstream in(std::string(DEMO_DIR) + "/" + name + ".plainpatch");
  std::ostringstream out;
  out << in.rdbuf();
  return out.str();
}

namespace {

int pick(int from, int to) {
  return *rc::gen::inRange(from, to + 1);
}

Opening randomOpening(int depth) {
  Opening out;
  const int kind = depth == 0 ? pick(0, 2) : pick(0, 5);
  if (kind == 1) out.content = AdjustableShelves{pick(1, 3)};
  if (kind == 2) {
    DrawerBank bank;
    bank.fronts.assign(static_cast<std::size_t>(pick(1, 3)), Share{});
    if (bank.fronts.size() > 1 && pick(0, 1) == 1)
      bank.fronts[0].fixed = Length::um(pick(90'000, 110'000));
    bank.matched = pick(0, 1) == 1;
    out.content = bank;
  }
  if (kind < 3) return out;
  Split split;
  split.by = pick(0, 1) == 1 ? SplitBy::Dividers : SplitBy::Shelves;
  split.sizes.assign(static_cast<std::size_t>(pick(2, 3)), Share{});
  if (pick(0, 1) == 1) split.sizes[0].fixed = Length::um(pick(150'000, 300'000));
  for (std::size_t i = 0; i < split.sizes.size(); ++i)
    split.children.push_back(randomOpening(depth - 1));
  out.content = split;
  return out;
}

}  // namespace

rc::Gen<Job> buildableJob() {
  return rc::gen::exec([] {
    Job job = metricJob();
    // Thicknesses as a calliper reads them, down to the hundredth.
    job.materials[0].measured = Length::um(pick(1'700, 1'900) * 10);
    job.materials[1].measured = Length::um(pick(1'100, 1'300) * 10);
    job.materials[2].measured = Length::um(pick(500, 650) * 10);
    Assembly assembly = metricCarcass();
    Carcass& carcass = assembly.carcass;
    carcass.width =
        Length::nm(static_cast<std::int64_t>(pick(500'000, 2'000'000)) * 1000 + pick(0, 999));
    carcass.height =
        Length::nm(static_cast<std::int64_t>(pick(600'000, 2'000'000)) * 1000 + pick(0, 999));
    carcass.depth = Length::um(pick(330'000, 700'000));
    carcass.joint = pick(0, 1) == 1 ? Joint::Dado : Joint::Butt;
    carcass.dadoDepth = Length::um(pick(3'000, 8'000));
    carcass.back.rabbetDepth = Length::um(pick(5'000, 10'000));
    carcass.back.clearance = Length::um(pick(0, 2'000));
    if (pick(0, 1) == 1)
      carcass.toe = Toe{Length::um(pick(60'000, 120'000)), Length::um(pick(40'000, 90'000))};
    if (pick(0, 1) == 1) carcass.banding = "edge";
    carcass.drawers.school = pick(0, 1) == 1 ? DrawerSchool::Between : DrawerSchool::RabbetedFront;
    carcass.inside = randomOpening(2);
    job.assemblies = {assembly};
    return job;
  });
}

}  // namespace pp::test

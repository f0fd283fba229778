// Lists of sizes, as an opening is split by them.
#include "core/designs/size_list.h"
#include "core/formats/job_json.h"
#include "core/kinds/validate.h"
#include "fuzz/through.h"

namespace {

pp::Job carcass(std::vector<pp::Share> sizes, bool drawers) {
  using namespace pp;
  Job job;
  job.name = "split";
  job.materials = {{"m", "birch", Length::mm(18), Length::mm(18)}};
  Assembly assembly;
  assembly.code = "A";
  Carcass body;
  body.material = body.back.material = body.fronts.material = body.drawers.boxMaterial =
      body.drawers.bottomMaterial = "m";
  if (drawers) {
    DrawerBank bank;
    bank.fronts = std::move(sizes);
    body.inside.content = bank;
  } else {
    Split split;
    split.sizes = std::move(sizes);
    split.children.resize(split.sizes.size());
    body.inside.content = split;
  }
  assembly.body = body;
  job.assemblies.push_back(assembly);
  return job;
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace pp;
  if (size == 0) return 0;
  const std::string text(fuzz::text(data + 1, size - 1));
  const Unit unit = (data[0] & 1U) != 0 ? Unit::Inch : Unit::Millimetre;
  const auto sizes = parseSizeList(text, unit, true);
  if (!sizes) return 0;
  const Job job = carcass(sizes.value(), (data[0] & 2U) != 0);
  if (validate(job).empty()) fuzz::through(job);
  return 0;
}

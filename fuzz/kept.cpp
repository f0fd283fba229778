// Kept assemblies, put into a job with a rack of its own.
#include "core/formats/job_json.h"
#include "core/formats/library.h"
#include "core/job/ids.h"
#include "core/kinds/validate.h"
#include "fuzz/through.h"

namespace {

pp::Job rack() {
  using namespace pp;
  Job job;
  job.name = "rack";
  job.materials = {{"birch-18", "birch", Length::mm(18), Length::um(17'800)},
                   {"birch-6", "birch", Length::mm(6), Length::mm(6)}};
  job.bandings = {
      {"iron-on", "iron-on", Length::um(600), Length::mm(22), {}, Length::mm(50'000), true}};
  for (const Material& material : job.materials) {
    StockPiece sheet;
    sheet.mark = material.id + " sheet";
    sheet.material = material.id;
    sheet.length = Length::mm(2440);
    sheet.width = Length::mm(1220);
    job.stock.push_back(sheet);
  }
  return job;
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace pp;
  static const Job kRack = rack();
  const auto item = readLibraryItem("item", fuzz::text(data, size));
  if (!item) return 0;
  const auto added = placed(item.value(), kRack);
  if (!added) return 0;
  Job job = kRack;
  addCopy(job, added.value().assembly, added.value().choices, "A1");
  if (!validate(job).empty()) return 0;
  fuzz::through(job);
  writeLibraryItem("again", "fuzz", std::as_const(job).assemblies[0], job);
  return 0;
}

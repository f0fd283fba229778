#include "core/job/new_job.h"

#include <utility>

namespace pp {
namespace {

void addBirch(Job& job, const std::string& id, Length nominal, Length measured) {
  constexpr std::int64_t kDensity = 650;
  addWithSheet(job, {id, "birch", nominal, measured, true, Tone::Birch, kDensity},
               Money::whole(nominal.inNm() / 400'000));
}

}  // namespace

void addWithSheet(Job& job, Material material, Money price) {
  const bool inch = job.unit == Unit::Inch;
  StockPiece sheet;
  sheet.mark = material.id + " sheet";
  sheet.material = material.id;
  sheet.length = inch ? Length::in(96) : Length::mm(2440);
  sheet.width = inch ? Length::in(48) : Length::mm(1220);
  sheet.price = price;
  job.stock.push_back(std::move(sheet));
  job.materials.push_back(std::move(material));
}

Job newJob(Unit unit) {
  Job job;
  job.name = "New job";
  job.unit = unit;
  if (unit == Unit::Millimetre) {
    job.shareStep = Length::um(500);
    for (const int mm : {18, 12, 6})
      addBirch(job, "birch-" + std::to_string(mm), Length::mm(mm), Length::mm(mm));
    for (const int mm : {350, 400, 450, 500})
      job.slides.push_back({"side slide " + std::to_string(mm), Length::mm(mm)});
    job.bandings = {{"iron-on", "birch iron-on", Length::um(600), Length::mm(22), Money::whole(11),
                     Length::mm(50'000), false}};
    return job;
  }
  job.shareStep = Length::in(0, 1, job.fraction);
  job.saw.kerf = Length::in(0, 1, 8);
  job.saw.trim = Length::in(0, 1, 4);
  job.saw.keepLong = Length::in(12);
  job.saw.keepShort = Length::in(4);
  // Plywood is sold by what it is nearly.
  addBirch(job, "birch-34", Length::in(0, 3, 4), Length::in(0, 23, 32));
  addBirch(job, "birch-12", Length::in(0, 1, 2), Length::in(0, 15, 32));
  addBirch(job, "birch-14", Length::in(0, 1, 4), Length::in(0, 7, 32));
  for (const int in : {14, 16, 18, 20})
    job.slides.push_back({"side slide " + std::to_string(in), Length::in(in)});
  job.bandings = {{"iron-on", "birch iron-on", Length::in(0, 1, 64), Length::in(0, 7, 8),
                   Money::whole(11), Length::in(600), false}};
  return job;
}

}  // namespace pp

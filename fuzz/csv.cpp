// Every list: the first byte says which.
#include "core/formats/exchange.h"
#include "core/formats/lists_csv.h"
#include "core/kinds/validate.h"
#include "fuzz/through.h"

namespace {

constexpr const char* kParts =
    "# unit: mm\ncode,name,qty,length,width,thickness,material\nA,a,2,400,300,18,birch\n";
constexpr const char* kStock =
    "# unit: mm\nid,material,thickness,length,width,qty\nS,birch,18,2440,1220,3\n";
constexpr const char* kBanding =
    "# unit: mm\nname,thickness,width,price,roll_length,deduct\nb,1,22,5,50000,yes\n";

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace pp;
  if (size == 0) return 0;
  const std::string text(fuzz::text(data + 1, size - 1));
  ExchangeInput input;
  input.parts = {"parts", kParts};
  input.stock = {"stock", kStock};
  input.banding = ExchangeText{"banding", kBanding};
  Job job;
  job.materials = {{"birch-18", "birch", Length::mm(18), Length::mm(18)}};
  job.bandings = {{"b", "b", Length::mm(1), Length::mm(22), {}, Length::mm(50'000), true}};
  switch (data[0] % 5) {
    case 0:
      input.parts.content = text;
      break;
    case 1:
      input.stock.content = text;
      break;
    case 2:
      input.banding->content = text;
      break;
    case 3:
      if (const auto slides = readSlides("slides", text, Unit::Millimetre)) {
        const auto again = readSlides("again", writeSlides(slides.value()), Unit::Millimetre);
        fuzz::must(again.ok() && again.value() == slides.value(), "slides are read as written");
      }
      return 0;
    default:
      if (const auto boards = readLooseBoards("boards", text, job)) {
        job.loose.append(boards->begin(), boards->end());
        if (validate(job).empty()) fuzz::through(job);
      }
      return 0;
  }
  if (const auto request = readExchange(input)) fuzz::through(request.value());
  return 0;
}

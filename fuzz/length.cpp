// Lengths as they are typed: spellings, arithmetic, money, counts. What is shown is read back.
#include "core/length/format.h"
#include "core/length/parse.h"
#include "fuzz/through.h"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  using namespace pp;
  const std::string text(fuzz::text(data, size));
  for (const Unit unit : {Unit::Millimetre, Unit::Inch}) {
    for (const auto& length : {parseLength(text, unit), parseExpression(text, unit)}) {
      if (!length) continue;
      const auto again = parseLength(formatMm(*length), Unit::Millimetre);
      fuzz::must(*length < Length{} || (again.ok() && *again == *length),
                 "a length is read as it was written");
      formatExact(*length, unit);
      for (const int denominator : {2, 16, 64}) {
        LengthStyle style;
        style.unit = unit;
        style.denominator = denominator;
        formatWithUnit(*length, style);
      }
    }
  }
  parseMoney(text);
  parseCount(text, 0, 1'000'000);
  return 0;
}

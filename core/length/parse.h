// Reading lengths and money from text.
#pragma once

#include <optional>
#include <string_view>

#include "core/length/length.h"
#include "core/result/result.h"

namespace pp {

// One length in any accepted spelling: 24 1/2, 24-1/2, 24 1/2", 24.5in, 2' 0 1/2", 622.3mm,
// 62.23cm, 0.6223m. A number without a unit takes `bare`; without that it is a problem. The value
// is exact: what is finer than a nanometre is refused. Zero is accepted, a sign is not.
Result<Length> parseLength(std::string_view text, std::optional<Unit> bare);

// Arithmetic on lengths as a maker types it: + - * / and brackets over the spellings above, such as
// `31 - 5 - 1 1/2` or `2*3/4in + 10mm`. A hyphen without spaces between a whole number and its
// fraction joins them (`24-1/2` is 24 1/2); with spaces it subtracts. A plain number is a factor
// beside * and /, and otherwise takes `bare`. Only a division may leave the nanometre; it is then
// rounded to the nearest one. The outcome may be negative; the caller knows what it accepts.
Result<Length> parseExpression(std::string_view text, Unit bare);

// A price such as 62.5 or 0: decimal digits with at most four decimals.
Result<Money> parseMoney(std::string_view text);

// A whole number from `least` to `most`, decimal digits only.
Result<std::int64_t> parseCount(std::string_view text, std::int64_t least, std::int64_t most);

}  // namespace pp

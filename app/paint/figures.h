// Lengths and other figures as they are set on the screen and on paper.
#pragma once

#include <QString>

#include "core/breakdown/part.h"

namespace pp {

// With true fractions: 23 ⁷/₁₆. No unit.
QString figure(Length length, const LengthStyle& style);
// With the unit.
QString figureWithUnit(Length length, const LengthStyle& style);
// "600 × 720"
QString figures(Length a, Length b, const LengthStyle& style);
// As it is typed: plain digits, exact where the shown figure is rounded.
QString typed(Length length, const LengthStyle& style);

QString qs(const std::string& text);

// "birch 18"
QString materialName(const Material& material, const LengthStyle& style);

}  // namespace pp

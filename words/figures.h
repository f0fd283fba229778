// Lengths and other figures as they are set on the screen and on paper.
#pragma once

#include <QStringList>

#include "core/parts/part.h"

namespace pp {

// 23 7/16, which the program's faces draw as a fraction. No unit.
QString figure(Length length, const LengthStyle& style);
// With the unit.
QString figureWithUnit(Length length, const LengthStyle& style);
// "600 × 720"
QString figures(Length a, Length b, const LengthStyle& style);
// By how much a length is more or less than what is shown, and what it is exactly; empty where that
// is what is shown.
QString offTip(Length length, const LengthStyle& style);
// How much of a length as it is shown is its whole number, "29" of "29 1/16": what columns line up
// at. And the widest that may stand behind one.
qsizetype wholeOf(const QString& figure);
QString widestTail(const LengthStyle& style);
// Without the wedge that says it is rounded: what is copied and read aloud.
QString withoutWedge(QString figure);
// As it is typed: plain digits, exact where the shown figure is rounded.
QString typed(Length length, const LengthStyle& style);

// What is bought or carried, in the unit of the drawing: "5.18 m²" or "55.8 sq ft", "10.5 m" or
// "34 ft", "47 kg" or "104 lb".
QString areaFigure(double squareMetres, Unit unit);
QString runFigure(Length length, Unit unit);
QString weightFigure(double grams, Unit unit);

// "1 piece", "3 pieces".
QString counted(std::int64_t n, const QString& one, const QString& many);
QString qs(const std::string& text);

// "left side, left hand"
QString nameWithHand(const Part& part);

// Where a part is banded, or where it is not: "front", "top".
QStringList sidesOf(const Part& part, bool banded);

// "birch 18"
QString materialName(const Material& material, const LengthStyle& style);

}  // namespace pp

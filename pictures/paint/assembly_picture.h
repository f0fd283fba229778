// A step of putting together: in words, and as the work stands with what goes in before it.
#pragma once

#include <QPainter>
#include <QStringList>

#include "core/assembly/order.h"
#include "core/length/format.h"

namespace pp {

// "D1, drawer, 6 alike", "B1, left side and what it holds", "B1, base cabinet"
QString unitWords(const bench::UnitOrder& unit);
// "left side", "drawer, put together", "2 fixed shelves"
QString putInWords(const bench::UnitOrder& unit, const bench::AssemblyStep& step);

// The one figure of a step that is read from afar: its fasteners, the spacer it is set by, the
// diagonal that is checked, the height of a slide; empty where nothing is set.
QString putInFigure(const bench::AssemblyStep& step, const LengthStyle& style);

struct PutInWords {
  QString lies;        // "on its left side, from above"
  QStringList holds;   // "to the left side: dado, glue", a line each
  QStringList setBy;   // "spacer 280 mm from the bottom, two of them", "gap 2 mm to the door"
  QStringList checks;  // "diagonals 1250 mm, equal"
  QStringList cautions;
};
PutInWords wordsOf(const bench::UnitOrder& unit, const bench::AssemblyStep& step,
                   const std::vector<bench::Pieces>& pieces, const LengthStyle& style);

// Seen from where it goes in.
void paintPutIn(QPainter& painter, const QRectF& room, const bench::UnitOrder& unit,
                std::size_t step, const std::vector<bench::Pieces>& pieces, const Job& job);
// The same on white.
void paintPutInOnPaper(QPainter& painter, const QRectF& room, const bench::UnitOrder& unit,
                       std::size_t step, const std::vector<bench::Pieces>& pieces, const Job& job);

}  // namespace pp

// What is written on the picture of a sheet, and where: inside what it is about as long as it can
// be read there, else in a column at its right with a line to it. Nothing covers anything.
#pragma once

#include <QFont>
#include <QLineF>
#include <QRectF>
#include <QString>
#include <optional>
#include <vector>

namespace pp {

struct LabelWanted {
  QRectF room;         // of the part or leftover
  QString name;        // its code
  QString more;        // its size; left out first
  bool always = true;  // in the margin where there is no room inside
};

struct SheetLabel {
  std::size_t of = 0;  // index of what was wanted
  QString text;
  QFont font;
  QRectF box;
  bool upright = false;          // read from the right
  std::optional<QLineF> leader;  // from what it is about to the text
};

// How wide the column at the right of a sheet is, and how high a line of it.
constexpr double kLabelMargin = 84, kLabelLine = 16;

// In the order of what was wanted, up to two for each. The column begins at `sheet`'s upper right
// corner and reaches below it if it must.
std::vector<SheetLabel> sheetLabels(const std::vector<LabelWanted>& wanted, const QRectF& sheet);

// How many would stand in the margin.
std::size_t ledOut(const std::vector<LabelWanted>& wanted);

}  // namespace pp

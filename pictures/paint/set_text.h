// Sets one line of text so that a fraction, 29 1/16, is drawn as one and copied as it was typed.
//
// The program's faces do it by themselves. But in a PDF every glyph is copied as the one character
// it stands for, so there the small digits come from two faces that have no others.
#pragma once

#include <QFont>
#include <QFontMetricsF>
#include <QPainter>
#include <QString>
#include <optional>
#include <vector>

namespace pp {

struct TextRun {
  enum class Face {
    Plain,
    Raised,  // up to the bar, with the space before
    Lowered  // what stands under the bar
  };
  QString text;
  Face face = Face::Plain;
  bool operator==(const TextRun&) const = default;
};

// The whole text in order. A fraction has one or two digits on either side of its bar and no digit,
// bar or point beside them.
std::vector<TextRun> textRuns(const QString& text);
QFont faceOf(const QFont& font, TextRun::Face face);

double textWidth(const QFont& font, const QString& text);
// Of what stands behind a digit, where the space before a fraction is a narrow one; and of that
// space alone.
double widthBehind(const QFont& font, const QString& tail);
double spaceBefore(const QFont& font);  // a fraction

// The left end of the base line of a text so wide, as QPainter aligns it in a room.
QPointF baseIn(const QRectF& room, int alignment, double width, const QFontMetricsF& metrics);

// The face for figures that are to be read, as large as goes into so much room along the line and
// across it. Nothing where they would be too small to read.
std::optional<QFont> fittingFont(const QString& text, double along, double across,
                                 bool bold = false);

// From the left end of the base line, or in a room as QPainter aligns it.
void drawText(QPainter& painter, QPointF base, const QString& text);
void drawText(QPainter& painter, const QRectF& room, int alignment, const QString& text);

}  // namespace pp

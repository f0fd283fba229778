#include "pictures/paint/set_text.h"

#include <QPaintEngine>

#include "pictures/paint/look.h"

namespace pp {
namespace {

bool isDigit(const QString& text, qsizetype at) {
  return at >= 0 && at < text.size() && text[at] >= QLatin1Char('0') &&
         text[at] <= QLatin1Char('9');
}

bool isBar(const QString& text, qsizetype at) {
  return at >= 0 && at < text.size() && text[at] == QLatin1Char('/');
}

// How many digits stand on that side of `at`, next to it.
qsizetype digits(const QString& text, qsizetype at, int step) {
  qsizetype count = 0;
  while (isDigit(text, at + step * (count + 1))) ++count;
  return count;
}

bool isFraction(const QString& text, qsizetype bar, qsizetype above, qsizetype below) {
  if (above < 1 || above > 2 || below < 1 || below > 2) return false;
  const qsizetype before = bar - above - 1;
  const bool point = before >= 0 && text[before] == QLatin1Char('.');
  return !point && !isBar(text, before) && !isBar(text, bar + below + 1);
}

bool isPdf(const QPainter& painter) {
  return painter.paintEngine() != nullptr && painter.paintEngine()->type() == QPaintEngine::Pdf;
}

}  // namespace

std::vector<TextRun> textRuns(const QString& text) {
  std::vector<TextRun> out;
  const auto add = [&](qsizetype begin, qsizetype end, TextRun::Face face) {
    if (end > begin) out.push_back({text.mid(begin, end - begin), face});
  };
  qsizetype done = 0;
  for (qsizetype bar = text.indexOf(QLatin1Char('/')); bar >= 0;
       bar = text.indexOf(QLatin1Char('/'), bar + 1)) {
    const qsizetype above = digits(text, bar, -1);
    const qsizetype below = digits(text, bar, 1);
    if (!isFraction(text, bar, above, below)) continue;
    qsizetype begin = bar - above;
    // The space between a whole number and its fraction is a narrow one.
    if (begin > 0 && text[begin - 1] == QLatin1Char(' ') && isDigit(text, begin - 2)) --begin;
    add(done, begin, TextRun::Face::Plain);
    add(begin, bar + 1, TextRun::Face::Raised);
    done = bar + 1 + below;
    add(bar + 1, done, TextRun::Face::Lowered);
  }
  add(done, text.size(), TextRun::Face::Plain);
  return out;
}

QFont faceOf(const QFont& font, TextRun::Face face) {
  QFont out = font;
  if (face == TextRun::Face::Raised) out.setFamily(QStringLiteral("Plain Patch Raised"));
  if (face == TextRun::Face::Lowered) out.setFamily(QStringLiteral("Plain Patch Lowered"));
  return out;
}

double textWidth(const QFont& font, const QString& text) {
  return QFontMetricsF(font).horizontalAdvance(text);
}

double widthBehind(const QFont& font, const QString& tail) {
  const QString digit = QStringLiteral("0");
  return textWidth(font, digit + tail) - textWidth(font, digit);
}

double spaceBefore(const QFont& font) {
  return widthBehind(font, QStringLiteral(" 1/2")) - textWidth(font, QStringLiteral("1/2"));
}

QPointF baseIn(const QRectF& room, int alignment, double width, const QFontMetricsF& metrics) {
  const double spareX = room.width() - width;
  const double spareY = room.height() - metrics.height();
  const double x = (alignment & Qt::AlignRight) != 0     ? spareX
                   : (alignment & Qt::AlignHCenter) != 0 ? spareX / 2
                                                         : 0;
  const double y = (alignment & Qt::AlignVCenter) != 0  ? spareY / 2
                   : (alignment & Qt::AlignBottom) != 0 ? spareY
                                                        : 0;
  return room.topLeft() + QPointF(x, y + metrics.ascent());
}

std::optional<QFont> fittingFont(const QString& text, double along, double across, bool bold) {
  // Of digits: 13 pixels at arm's length, 9 at the least.
  for (const int pixels : {look::kFigure, 14, look::kLeast}) {
    const QFont font = look::text(pixels, bold);
    if (pixels <= across && textWidth(font, text) <= along) return font;
  }
  return std::nullopt;
}

void drawText(QPainter& painter, QPointF base, const QString& text) {
  if (!isPdf(painter)) {
    painter.drawText(base, text);
    return;
  }
  const QFont font = painter.font();
  for (const TextRun& run : textRuns(text)) {
    const QFont face = faceOf(font, run.face);
    painter.setFont(face);
    painter.drawText(base, run.text);
    base.rx() += textWidth(face, run.text);
  }
  painter.setFont(font);
}

void drawText(QPainter& painter, const QRectF& room, int alignment, const QString& text) {
  if (!isPdf(painter) || !text.contains(QLatin1Char('/'))) {
    painter.drawText(room, alignment, text);
    return;
  }
  const QFontMetricsF metrics(painter.font());
  drawText(painter, baseIn(room, alignment, metrics.horizontalAdvance(text), metrics), text);
}

}  // namespace pp

// Pages of a PDF in millimetres: a cursor that runs down, and page breaks.
#pragma once

#include <QFont>
#include <QFontMetricsF>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>
#include <QString>
#include <array>
#include <map>
#include <optional>
#include <vector>

#include "pictures/paint/set_text.h"

namespace pp {

// Lays text and pictures on pages. Units are millimetres from the top left corner of the paper.
class Page {
 public:
  // `landscape` turns the paper. The first page is begun by the first call to begin().
  Page(QPdfWriter& writer, QPainter& painter, QString title);

  void begin();     // a new page with its heading
  void newSheet();  // a new page without one
  double width() const { return width_; }
  double height() const { return height_; }
  double left() const { return kMargin; }
  double right() const { return width_ - kMargin; }
  double bottom() const { return height_ - kMargin; }
  double y() const { return y_; }
  void down(double mm) { y_ += mm; }
  // A new page when less than this is left on the present one. True when there was.
  bool need(double mm);

  // One line of text in a box, cut short with an ellipsis if it must be. Sizes in points.
  void text(double x, double y, double w, double h, const QString& text, double points,
            bool bold = false, int alignment = Qt::AlignLeft | Qt::AlignVCenter);
  void rule(double y, double thickness = 0.2);
  void box(double x, double y, double size);  // a box to tick
  QPainter& painter() { return painter_; }

  static constexpr double kMargin = 12;

 private:
  // A font in hundredths of a millimetre, with what its fractions are set in, and how wide their
  // plain letters are.
  struct Face {
    std::array<QFont, 3> fonts;  // by TextRun::Face
    QFontMetricsF metrics;
    std::array<std::array<double, 128>, 3> widths{};
    Face(int pixels, bool bold);
    // Of a run of plain letters; nothing for any other.
    std::optional<double> width(const TextRun& run) const;
    std::optional<double> width(const std::vector<TextRun>& runs) const;
  };
  const Face& face(double points, bool bold);

  std::map<std::pair<int, bool>, Face> faces_;
  QPdfWriter& writer_;
  QPainter& painter_;
  QString title_;
  double width_ = 0, height_ = 0, y_ = 0;
  int number_ = 0;
};

}  // namespace pp

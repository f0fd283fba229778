// Pages in millimetres: a cursor that runs down, and page breaks.
#pragma once

#include <QFont>
#include <QFontMetricsF>
#include <QPageSize>
#include <QPainter>
#include <QString>
#include <QTransform>
#include <array>
#include <map>
#include <optional>
#include <vector>

#include "pictures/paint/set_text.h"
#include "pictures/paper/print.h"

namespace pp {

// Lays text and pictures on pages. Units are millimetres from the top left corner of the paper.
class Page {
 public:
  // The first page is begun by the first call to begin() or newSheet(). No more than `most` are
  // drawn, where that is not 0. What text is set is told to `laid`, where there is one.
  Page(QPagedPaintDevice& device, QPainter& painter, QString title, int most = 0,
       std::vector<TextLaid>* laid = nullptr);
  // One page of that size, in millimetres, on whatever the painter paints on.
  Page(QPainter& painter, QSizeF size);

  void begin();     // a new page with its heading
  void newSheet();  // a new page without one
  // Nothing is drawn any more.
  bool isFull() const { return most_ > 0 && number_ > most_; }
  double width() const { return width_; }
  double height() const { return height_; }
  double left() const { return kMargin; }
  double right() const { return width_ - kMargin; }
  double bottom() const { return height_ - kMargin; }
  double y() const { return y_; }
  void down(double mm) { y_ += mm; }
  // A new page when less than this is left on the present one. True when there was.
  bool need(double mm);

  // One line of text in a box, set smaller, down to seven points, where it is too long, and cut
  // short with an ellipsis if it must be. Sizes in points.
  void text(double x, double y, double w, double h, const QString& text, double points,
            bool bold = false, int alignment = Qt::AlignLeft | Qt::AlignVCenter);
  // A length in a column that lines up at the whole number, with room for `tail` behind it.
  void figure(double x, double y, double w, double h, const QString& text, double points,
              const QString& tail);
  void rule(double y, double thickness = 0.2);
  void box(double x, double y, double size);  // a box to tick
  // For pictures. Nothing may be painted on a page that is full.
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
  void set(const QRectF& room, const QString& text, const Face& face, int alignment);
  void nextPage();

  QPagedPaintDevice* device_ = nullptr;  // null: the page is the only one
  QPainter& painter_;
  QString title_;
  QTransform base_;  // of the page
  double width_ = 0, height_ = 0, y_ = 0;
  int number_ = 0;
  int most_ = 0;
  std::vector<TextLaid>* laid_ = nullptr;
};

}  // namespace pp

#include <qrencode.h>

#include <QBuffer>
#include <QImage>
#include <QPdfWriter>
#include <algorithm>
#include <atomic>
#include <map>
#include <memory>
#include <thread>
#include <utility>
#include <vector>

#include "pictures/paint/look.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

// A QR code as a black and white picture, a module a pixel: paper shows it as sharp as squares, and
// it takes a tenth of their room. Null only for texts longer than any job name with its part code.
QImage qrImage(const QString& text) {
  const QByteArray utf8 = text.toUtf8();
  const std::unique_ptr<QRcode, decltype(&QRcode_free)> code(
      QRcode_encodeString(utf8.constData(), 0, QR_ECLEVEL_M, QR_MODE_8, 1), &QRcode_free);
  if (!code) return {};
  QImage image(code->width, code->width, QImage::Format_Mono);
  // In this order a page takes it for a mask of its own and packs nothing.
  image.setColorTable({qRgb(0, 0, 0), qRgb(255, 255, 255)});
  image.fill(1);
  for (int row = 0; row < code->width; ++row) {
    uchar* line = image.scanLine(row);
    for (int column = 0; column < code->width; ++column)
      if ((code->data[row * code->width + column] & 1U) != 0)
        line[column / 8] = static_cast<uchar>(line[column / 8] & ~(0x80U >> (column % 8)));
  }
  return image;
}

// The codes of many labels. Making one takes as long as half of its label, so a thread of its own
// makes them from the last one on while the first are drawn.
class QrImages {
 public:
  explicit QrImages(std::vector<QString> texts)
      : texts_(std::move(texts)), images_(texts_.size()), taken_(texts_.size()) {
    thread_ = std::jthread([this](const std::stop_token& stop) {
      for (std::size_t i = texts_.size(); i-- > 0 && !stop.stop_requested();)
        if (!taken_[i].exchange(true)) {
          images_[i] = qrImage(texts_[i]);
        } else {
          return;  // those before are drawn already
        }
    });
  }
  // Asked for in order, each once.
  QImage take(std::size_t i) {
    if (!taken_[i].exchange(true)) return qrImage(texts_[i]);
    // Who made it has left; from here on all are there.
    if (thread_.joinable()) thread_.join();
    return std::exchange(images_[i], {});
  }

 private:
  std::vector<QString> texts_;
  std::vector<QImage> images_;
  std::vector<std::atomic<bool>> taken_;
  std::jthread thread_;
};

// `side` includes the quiet zone of four modules.
void paintQr(QPainter& painter, double x, double y, double side, const QImage& code) {
  if (code.isNull()) return;
  constexpr int kQuiet = 4;
  const double module = side / (code.width() + 2 * kQuiet);
  const double dark = code.width() * module;
  painter.setPen(Qt::black);
  painter.drawImage(QRectF(x + kQuiet * module, y + kQuiet * module, dark, dark), code);
}

QString bandsLine(const Part& part) {
  // Edges with one banding are named together: "birch iron-on: front, top".
  std::map<std::string, QStringList> byBanding;
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    if (!part.bands[i].empty()) byBanding[part.bands[i]] << qs(sideName(part.edges[i]));
  }
  QStringList out;
  for (const auto& [banding, sides] : byBanding)
    out << qs(banding) + QStringLiteral(": ") +
               (sides.size() == 4 ? QStringLiteral("all round") : sides.join(QStringLiteral(", ")));
  return out.isEmpty() ? QStringLiteral("no banding") : out.join(QStringLiteral("; "));
}

// A small drawing of the part with its front and top edge named, banded edges drawn heavy.
void paintMarks(Page& page, const Part& part, const QRectF& room) {
  QPainter& painter = page.painter();
  const bool up = part.edges[static_cast<std::size_t>(Edge::W1)] == Side::Bottom;
  const double ratio = part.length.total().inMm() / part.width.total().inMm();
  const double wanted = up ? 1 / ratio : ratio;  // width over height
  double w = room.width();
  double h = w / wanted;
  if (h > room.height()) h = room.height(), w = h * wanted;
  w = std::max(w, 3.0);
  h = std::max(h, 3.0);
  const QRectF board(room.center().x() - w / 2, room.center().y() - h / 2, w, h);
  painter.setPen(QPen(Qt::black, 0.2));
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(board);
  const bool flip = part.hand == Hand::Right;
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    const bool along = !isEnd(edge);
    const bool first = edge == Edge::L1 || edge == Edge::W1;
    // Upright: edges along the length are left and right; lying: bottom and top.
    QLineF line;
    if (up == along) {
      const bool left = up ? first != flip : first != flip;
      line = left ? QLineF(board.topLeft(), board.bottomLeft())
                  : QLineF(board.topRight(), board.bottomRight());
    } else {
      line = first ? QLineF(board.bottomLeft(), board.bottomRight())
                   : QLineF(board.topLeft(), board.topRight());
    }
    if (!part.bands[i].empty()) {
      painter.setPen(QPen(Qt::black, 0.9));
      painter.drawLine(line);
    }
    const Side side = part.edges[i];
    if (side != Side::Front && side != Side::Top) continue;
    const QPointF c = line.center();
    const double w2 = 12;
    const bool upright = std::abs(line.dx()) < 0.01;
    const bool low = upright ? c.x() < board.center().x() : c.y() > board.center().y();
    if (upright) {
      painter.save();
      painter.translate(c.x() + (low ? -1.7 : 1.7), c.y());
      painter.rotate(-90);
      page.text(-w2 / 2, -1.5, w2, 3, qs(sideName(side)), 7, true, Qt::AlignCenter);
      painter.restore();
    } else {
      page.text(c.x() - w2 / 2, c.y() + (low ? 0.3 : -3.3), w2, 3, qs(sideName(side)), 7, true,
                Qt::AlignCenter);
    }
  }
}

// "2 of 3"; of a piece beyond those, a spare or one that was cut again, its number.
QString countWords(const Part& part, std::int64_t number) {
  if (number > part.quantity) return QStringLiteral("   no. %1").arg(number);
  return part.quantity > 1 ? QStringLiteral("   %1 of %2").arg(number).arg(part.quantity)
                           : QString();
}

// "next: groove, bevel," "mortises, pin holes": what a line of a usual label takes.
QStringList nextLines(const Part& part) {
  const std::string next = nextOperations(part);
  if (next.empty()) return {};
  constexpr qsizetype kLetters = 27;
  QStringList out = {QStringLiteral("next:")};
  for (const QString& word : qs(next).split(QStringLiteral(", "))) {
    const bool more = out.last().size() + 1 + word.size() > kLetters;
    if (out.last() != QStringLiteral("next:")) out.last() += QLatin1Char(',');
    if (more && out.last() != QStringLiteral("next:"))
      out << word;
    else
      out.last() += QLatin1Char(' ') + word;
  }
  return out;
}

void paintLabel(Page& page, const QRectF& cell, const Job& job, const PieceLabel& label,
                const QImage& qrCode) {
  const Part& part = label.part;
  const LengthStyle style = styleOf(job);
  const double x = cell.x() + 2.5;
  const double y = cell.y() + 2;
  const double qr = std::min({22.0, cell.height() - 4, cell.width() * 0.36});
  const double w = cell.width() - qr - 5;
  page.text(x, y, w, 5.5, qs(part.code) + countWords(part, label.number), 13, true);
  page.text(x, y + 5.6, w, 3.8, nameWithHand(part), 8, true);
  page.text(x, y + 9.3, w, 3.4, qs(assemblyTitle(job, part.assembly)), 7);
  const QString unit = style.unit == Unit::Inch ? QStringLiteral(" in") : QStringLiteral(" mm");
  page.text(x, y + 12.7, w, 4.2, figures(part.length.total(), part.width.total(), style) + unit,
            11.5, true);
  // A piece that was cut outlives what its part was drawn of.
  if (const Material* material = findMaterial(job, part.material))
    page.text(x, y + 16.8, w, 3.4, materialName(*material, style), 8.5);
  const QStringList minded = qs(part.note).split(QStringLiteral("; "), Qt::SkipEmptyParts);
  const bool banded = std::any_of(part.bands.begin(), part.bands.end(),
                                  [](const std::string& band) { return !band.empty(); });
  QStringList small;
  if (banded || minded.isEmpty()) small << bandsLine(part);
  small += nextLines(part);
  small += minded.mid(0, 2);
  constexpr double kLine = 2.8;
  // As many as there is room for: what is banded and what comes next go before notes.
  small = small.mid(
      0, std::max<qsizetype>(1, static_cast<qsizetype>((cell.bottom() - y - 20.2) / kLine)));
  for (qsizetype i = 0; i < small.size(); ++i)
    page.text(x, y + 20.2 + kLine * static_cast<double>(i), w, 3.2, small[i], 7);
  // What stands there beyond one line takes of the room for the drawing.
  const double more = kLine * static_cast<double>(small.size() - 1);
  const double left = cell.height() - 25.5 - more;
  if (left > 7)
    paintMarks(page, part, QRectF(x + 4, y + 26 + more, cell.width() - qr - 14, left - 4.5));
  paintQr(page.painter(), cell.right() - qr - 1.5, y, qr, qrCode);
  const QString face =
      part.show == Face::Inside ? QStringLiteral("inside face") : QStringLiteral("show face");
  page.text(cell.right() - qr - 1.5, y + qr + 0.5, qr, 3.2, face, 7, false, Qt::AlignCenter);
}

// The fields of a sheet of labels.
class Grid {
 public:
  static Result<Grid> of(const PrintInput& input) {
    const LabelSheet& on = input.job.labels;
    const QSizeF paper =
        QPageSize::size(on.letter ? QPageSize::Letter : QPageSize::A4, QPageSize::Millimeter);
    Grid out(on);
    out.w_ = (paper.width() - 2 * on.marginLeft.inMm() - (on.columns - 1) * on.gapAcross.inMm()) /
             on.columns;
    out.h_ =
        (paper.height() - 2 * on.marginTop.inMm() - (on.rows - 1) * on.gapDown.inMm()) / on.rows;
    constexpr double kLeastWidth = 40;
    constexpr double kLeastHeight = 24;
    if (out.w_ < kLeastWidth || out.h_ < kLeastHeight)
      return Problem{{},
                     0,
                     "label sheet",
                     QStringLiteral("labels of %1 × %2 mm")
                         .arg(out.w_, 0, 'f', 1)
                         .arg(out.h_, 0, 'f', 1)
                         .toStdString(),
                     "at least 40 × 24 mm: fewer columns or rows, or smaller margins"};
    if (input.usedLabels < 0 || input.usedLabels >= out.fields())
      return Problem{{},
                     0,
                     "first free label",
                     std::to_string(input.usedLabels + 1),
                     "1 to " + std::to_string(out.fields())};
    out.at_ = input.usedLabels;
    return out;
  }

  // The next free field, on a new sheet where this one is full; nothing once no more is drawn.
  std::optional<QRectF> next(Page& page) {
    if (at_ == fields()) {
      page.newSheet();
      at_ = 0;
    }
    if (page.isFull()) return std::nullopt;
    const QRectF cell(on_.marginLeft.inMm() + (at_ % on_.columns) * (w_ + on_.gapAcross.inMm()),
                      on_.marginTop.inMm() + (at_ / on_.columns) * (h_ + on_.gapDown.inMm()), w_,
                      h_);
    ++at_;
    return cell;
  }

 private:
  explicit Grid(const LabelSheet& on) : on_(on) {}
  int fields() const { return on_.columns * on_.rows; }

  LabelSheet on_;
  double w_ = 0, h_ = 0;
  int at_ = 0;
};

// On an offcut of the rack: its number large, what it is, how large, of what lot.
void paintTag(Page& page, const QRectF& cell, const RackTag& tag, const QImage& qrCode) {
  const double x = cell.x() + 2.5;
  const double y = cell.y() + 2;
  const double qr = std::min({22.0, cell.height() - 4, cell.width() * 0.36});
  const double w = cell.width() - qr - 5;
  page.text(x, y, w, 9, tag.tag, 22, true);
  page.text(x, y + 9.5, w, 5, tag.size, 12, true);
  page.text(x, y + 14.5, w, 4, tag.material, 9);
  page.text(x, y + 18.5, w, 3.4, tag.words, 7);
  paintQr(page.painter(), cell.right() - qr - 1.5, y, qr, qrCode);
}

QString codeOf(const Job& job, const LabelFor& label) {
  if (const auto* tag = std::get_if<RackTag>(&label))
    return QStringLiteral("PP1:RACK:%1").arg(tag->tag);
  const auto& piece = std::get<PieceLabel>(label);
  return labelCode(job, piece.part, piece.number);
}

void paint(Page& page, const QRectF& cell, const Job& job, const LabelFor& label,
           const QImage& qrCode) {
  if (const auto* tag = std::get_if<RackTag>(&label))
    paintTag(page, cell, *tag, qrCode);
  else
    paintLabel(page, cell, job, std::get<PieceLabel>(label), qrCode);
}

// Draws them one a field, beginning at the first that is free.
Sheaf onGrid(QString title, std::vector<LabelFor> labels, const Job& job, Grid grid) {
  return {std::move(title), [labels = std::move(labels), &job, grid = std::move(grid)](
                                Page& page, const PrintWatch& watch) mutable {
            std::vector<QString> codes;
            codes.reserve(labels.size());
            for (const LabelFor& label : labels) codes.push_back(codeOf(job, label));
            QrImages images(std::move(codes));
            page.newSheet();
            for (std::size_t i = 0; i < labels.size(); ++i) {
              if (watch.isStopped()) return;
              const auto cell = grid.next(page);
              if (!cell) return;
              paint(page, *cell, job, labels[i], images.take(i));
              watch.tell(i + 1, labels.size());
            }
          }};
}

constexpr double kMmPerInch = 25.4;

void drawSingle(QPaintDevice& device, int dpi, const Job& job, const LabelFor& label) {
  QPainter painter(&device);
  painter.scale(dpi / kMmPerInch, dpi / kMmPerInch);
  Page page(painter, kSingleLabel);
  page.newSheet();
  paint(page, QRectF(QPointF(), kSingleLabel), job, label, qrImage(codeOf(job, label)));
}

}  // namespace

Result<Sheaf> tagPages(const PrintInput& input) {
  const auto grid = Grid::of(input);
  if (!grid) return grid.problems();
  if (input.tags == nullptr || input.tags->empty())
    return Problem{{}, 0, "labels of the rack", "no piece with a number", "an offcut that has one"};
  return onGrid(QStringLiteral("labels of the rack"), {input.tags->begin(), input.tags->end()},
                input.job, *grid);
}

Result<Sheaf> labelPages(const PrintInput& input) {
  const auto grid = Grid::of(input);
  if (!grid) return grid.problems();
  std::vector<LabelFor> labels;
  if (input.labels != nullptr)
    labels = *input.labels;
  else
    for (const Part& part : input.parts)
      for (std::int64_t copy = 1; copy <= part.quantity; ++copy)
        labels.emplace_back(PieceLabel{part, copy});
  return onGrid(QStringLiteral("%1: labels").arg(qs(input.job.name)), std::move(labels), input.job,
                *grid);
}

QImage labelImage(const Job& job, const LabelFor& label) {
  look::loadFonts();
  constexpr int kDots = 203;  // an inch, as such printers have
  QImage image((kSingleLabel * kDots / kMmPerInch).toSize(), QImage::Format_Grayscale8);
  image.fill(Qt::white);
  drawSingle(image, kDots, job, label);
  return image;
}

SingleLabel singleLabel(const Job& job, const LabelFor& label) {
  look::loadFonts();
  SingleLabel out;
  {
    QBuffer buffer(&out.pdf);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setCreator(QStringLiteral("Plain Patch"));
    writer.setPageSize(QPageSize(kSingleLabel, QPageSize::Millimeter));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    constexpr int kDpi = 600;
    writer.setResolution(kDpi);
    drawSingle(writer, kDpi, job, label);
  }
  QBuffer buffer(&out.png);
  buffer.open(QIODevice::WriteOnly);
  labelImage(job, label).save(&buffer, "PNG");
  return out;
}

}  // namespace pp

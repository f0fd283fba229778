#include "core/breakdown/bought.h"
#include "core/nest/bars.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

struct Column {
  const char* title;
  double width;
  int alignment;
  bool length = false;
};

constexpr int kLeft = Qt::AlignLeft | Qt::AlignVCenter;
constexpr int kFigureRight = Qt::AlignRight | Qt::AlignVCenter;
constexpr double kListRow = 6;
constexpr double kFigurePoints = 11.5;  // digits of three millimetres, for arm's length

// On landscape paper; the widths fill the narrower of the two papers.
const Column kColumns[] = {{"", 6, kLeft},
                           {"Code", 20, kLeft},
                           {"Part", 44, kLeft},
                           {"Qty", 10, kFigureRight},
                           {"Length", 28, kFigureRight, true},
                           {"Width", 28, kFigureRight, true},
                           {"Cut length", 28, kFigureRight, true},
                           {"Cut width", 28, kFigureRight, true},
                           {"  Material", 32, kLeft},
                           {"Banding", 29, kLeft}};

QString bandingOf(const Part& part) {
  const QStringList sides = sidesOf(part, true);
  return sides.size() == 4 ? QStringLiteral("all round") : sides.join(QStringLiteral(", "));
}

void heading(Page& page) {
  double x = page.left();
  for (const Column& column : kColumns) {
    page.text(x, page.y(), column.width, kListRow, QString::fromUtf8(column.title), 8, true,
              column.alignment);
    x += column.width;
  }
  page.down(kListRow);
  page.rule(page.y());
  page.down(0.8);
}

void row(Page& page, const Job& job, const Part& part) {
  const LengthStyle style = styleOf(job);
  const QString cells[] = {
      QString(),
      qs(part.code),
      qs(part.name),
      QString::number(part.quantity),
      figure(part.length.total(), style),
      figure(part.width.total(), style),
      figure(part.cutLength(), style),
      figure(part.cutWidth(), style),
      QStringLiteral("  ") + materialName(*findMaterial(job, part.material), style),
      bandingOf(part)};
  page.box(page.left() + 0.5, page.y() + 1.2, 3.6);
  double x = page.left();
  std::size_t i = 0;
  for (const Column& column : kColumns) {
    if (column.length)
      page.figure(x, page.y(), column.width, kListRow, cells[i], kFigurePoints, widestTail(style));
    else
      page.text(x, page.y(), column.width, kListRow, cells[i], i == 1 ? 9 : 8.5, i == 1,
                column.alignment);
    x += column.width;
    ++i;
  }
  page.down(kListRow);
}

constexpr double kHeading = 7;
constexpr double kRoomForSome = 32;

void section(Page& page, const QString& title) {
  page.need(kRoomForSome);
  page.down(3);
  page.text(page.left(), page.y(), 150, kHeading, title, 10, true);
  page.down(kHeading);
}

// Every bar with what is cut from it in order, a box for each piece.
void bars(Page& page, const PrintInput& input, const std::stop_token& stop) {
  const LengthStyle style = styleOf(input.job);
  const NestRequest request = requestOf(input.job, input.parts);
  for (const BarList& list : nest::barLists(request, stop)) {
    const BarPart& kind = request.barParts[list.parts.front()];
    const auto piece = [&](std::size_t cut) {
      const BarDemand& wanted = request.barParts[list.parts[cut]].wanted;
      return std::pair(qs(wanted.code), figure(wanted.length, style));
    };
    section(page, QStringLiteral("Bars of %1, ripped to %2%3")
                      .arg(materialName(*findMaterial(input.job, kind.material), style),
                           figure(kind.width, style),
                           list.plan.proven ? QStringLiteral("; it cannot be done for less")
                                            : QString()));
    for (const Bar& bar : list.plan.bars) {
      constexpr double kBar = 60, kPiece = 42, kRest = 34;
      const BarStock& stock = request.barStock[list.stock[bar.stock]].bar;
      page.need(kListRow);
      page.text(page.left(), page.y(), kBar, kListRow,
                QStringLiteral("%1, %2").arg(qs(stock.id), figure(stock.length, style)), 8.5);
      double x = page.left() + kBar;
      for (const std::size_t cut : bar.cuts) {
        if (x + kPiece > page.right() - kRest) {
          page.down(kListRow);
          page.need(kListRow);
          x = page.left() + kBar;
        }
        const auto [code, length] = piece(cut);
        page.box(x + 0.5, page.y() + 1.2, 3.6);
        page.text(x + 6, page.y(), kPiece - 7, kListRow, QStringLiteral("%1  %2").arg(code, length),
                  8.5);
        x += kPiece;
      }
      page.text(page.right() - kRest, page.y(), kRest, kListRow,
                QStringLiteral("%1 left").arg(figure(bar.rest, style)), 8.5, false, kFigureRight);
      page.down(kListRow);
    }
    for (const std::size_t cut : list.plan.unplaced) {
      const auto [code, length] = piece(cut);
      page.need(kListRow);
      page.text(page.left(), page.y(), 150, kListRow,
                QStringLiteral("No bar in the rack for %1, %2").arg(code, length), 8.5, true);
      page.down(kListRow);
    }
  }
}

void boughtIn(Page& page, const Job& job) {
  if (job.bought.empty()) return;
  section(page, QStringLiteral("Bought in"));
  for (const BoughtIn& one : job.bought) {
    page.need(kListRow);
    page.box(page.left() + 0.5, page.y() + 1.2, 3.6);
    page.text(page.left() + 6, page.y(), 14, kListRow, QString::number(one.quantity), 8.5, true,
              kFigureRight);
    page.text(page.left() + 24, page.y(), 50, kListRow, qs(one.name), 8.5);
    const BoughtSize size = sizeOf(job, one);
    QString figures = qs(one.material);
    if (size.length > Length{} || size.width > Length{})
      figures += QStringLiteral(" %1 × %2")
                     .arg(figure(size.length, styleOf(job)), figure(size.width, styleOf(job)));
    // What has neither a material nor a size leaves their room to the words.
    const double words = figures.isEmpty() ? 76 : 120;
    page.text(page.left() + 76, page.y(), 42, kListRow, figures.trimmed(), 8.5);
    page.text(page.left() + words, page.y(), 226 - words, kListRow, qs(boughtRemarks(job, one)),
              8.5);
    page.down(kListRow);
  }
}

}  // namespace

Result<Sheaf> partsListPages(const PrintInput& input) {
  const LengthStyle style = styleOf(input.job);
  const QString unit = style.unit == Unit::Inch ? QStringLiteral("inches") : QStringLiteral("mm");
  return Sheaf{QStringLiteral("%1: parts, in %2").arg(qs(input.job.name), unit),
               [input](Page& page, const PrintWatch& watch) {
                 page.begin();
                 std::string assembly;
                 bool first = true;
                 std::size_t done = 0;
                 for (const Part& part : input.parts) {
                   if (watch.isStopped() || page.isFull()) return;
                   watch.tell(done++, input.parts.size());
                   if (first || part.assembly != assembly) {
                     assembly = part.assembly;
                     section(page, qs(assemblyTitle(input.job, assembly)));
                     heading(page);
                     first = false;
                   }
                   if (page.need(kListRow)) heading(page);
                   row(page, input.job, part);
                 }
                 bars(page, input, watch.stop);
                 boughtIn(page, input.job);
               }};
}

}  // namespace pp

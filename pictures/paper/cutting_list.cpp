#include <algorithm>
#include <memory>
#include <optional>
#include <tuple>

#include "core/floor/at_saw.h"
#include "pictures/paint/cut_picture.h"
#include "pictures/paint/wood.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kCell = 23;  // height of a setting or a cut
constexpr int kAcross = 2;    // of them side by side
constexpr double kStepGap = 6;

// Where the fence stands is a thick bar, the cut a heavy line, what comes off grey.
void paintPiece(QPainter& painter, const QRectF& room, const SawCut& cut,
                const saw::MadeCut& made) {
  Mapping map =
      Mapping::fit(made.piece.dx, made.piece.dy, room.adjusted(1.4, 1.4, -1.4, -1.4), false);
  const auto rect = [&](const saw::PlayedPiece& of) {
    return map.rect(of.x - made.piece.x, of.y - made.piece.y, of.dx, of.dy);
  };
  const QRectF piece = rect(made.piece);
  QRectF blade = rect(made.blade);
  const bool rip = cut.direction == CutDirection::Rip;
  const bool low = cut.fence == FenceSide::Low;
  QRectF beyond = piece;
  if (rip && low) beyond.setTop(blade.bottom());
  if (rip && !low) beyond.setBottom(blade.top());
  if (!rip && low) beyond.setLeft(blade.right());
  if (!rip && !low) beyond.setRight(blade.left());
  painter.setBrush(Qt::NoBrush);
  painter.fillRect(beyond, QColor(0xE2, 0xE2, 0xE2));
  painter.setPen(QPen(Qt::black, 0.2));
  painter.drawRect(piece);
  constexpr double kLine = 0.5, kFence = 0.9;
  if (rip && blade.height() < kLine)
    blade = QRectF(blade.x(), blade.center().y() - kLine / 2, blade.width(), kLine);
  if (!rip && blade.width() < kLine)
    blade = QRectF(blade.center().x() - kLine / 2, blade.y(), kLine, blade.height());
  painter.fillRect(blade, Qt::black);
  QRectF fence = piece;
  if (rip)
    fence = QRectF(piece.x() - 1, low ? piece.top() - kFence : piece.bottom(), piece.width() + 2,
                   kFence);
  else
    fence = QRectF(low ? piece.left() - kFence : piece.right(), piece.y() - 1, kFence,
                   piece.height() + 2);
  if (!cut.isToMark()) painter.fillRect(fence, QBrush(Qt::black, Qt::Dense4Pattern));
}

// What is cut to a mark, without a setting.
void toAMark(Page& page, double x, double w, const SawCut& cut, const saw::MadeCut& made,
             const LengthStyle& style) {
  const double y = page.y();
  page.text(x, y + 0.5, w, 6, QStringLiteral("%1, to a mark").arg(qs(cut.machine)), 11, true);
  page.text(x, y + 7, w, 11,
            QStringLiteral("%1 %2").arg(
                cut.kind == CutKind::Trim ? QStringLiteral("trim") : QStringLiteral("part at"),
                readWords(cut, made, style)),
            24, true);
}

// What the machine is set to, as large as it can be read from beside it.
void setting(Page& page, double x, double w, const SawCut& cut, const saw::MadeCut& made,
             const Shop& shop, const LengthStyle& style, int which, int of) {
  const double y = page.y();
  page.text(x, y + 0.5, w - 28, 6,
            QStringLiteral("%1, %2, %3").arg(qs(cut.machine), kindWords(cut), faceWords(shop, cut)),
            11, true);
  page.text(x + w - 28, y + 0.5, 26, 6, QStringLiteral("setting %1 of %2").arg(which).arg(of), 8,
            false, Qt::AlignRight | Qt::AlignVCenter);
  page.text(x, y + 7, w, 11, readWords(cut, made, style), 24, true);
}

void cell(Page& page, double x, double w, const floor::AtSaw& saw, std::size_t at_cut,
          const LengthStyle& style) {
  const SawCut& cut = saw.cut(at_cut);
  const saw::MadeCut& made = saw.geometry(at_cut);
  const double y = page.y();
  const bool rip = cut.direction == CutDirection::Rip;
  const bool low = cut.fence == FenceSide::Low;
  constexpr double kBox = 4.4, kPicture = 36, kLine = 4.4;
  page.box(x, y + 1, kBox);
  page.text(x, y + 6.2, 12, kLine, QString::number(saw.number(at_cut)), 10, true);
  page.text(x, y + 10.6, 12, kLine, qs(cut.piece), 7);
  paintPiece(page.painter(), QRectF(x + 13, y + 0.5, kPicture, kCell - 2), cut, made);
  const double at = x + 13 + kPicture + 2;
  const double room = x + w - at;
  const saw::Becomes near = low ? saw.low(at_cut) : saw.high(at_cut);
  const saw::Becomes far = low ? saw.high(at_cut) : saw.low(at_cut);
  const auto becomes = [&](double down, const QString& which, const saw::Becomes& what) {
    page.text(at, y + down, room, 3.4, which, 7);
    page.text(at, y + down + 3.2, room, 4.8, becomesWords(what), 10, what.isKept());
  };
  becomes(0.4,
          cut.isToMark() ? QStringLiteral("stays")
          : rip          ? QStringLiteral("at the fence")
                         : QStringLiteral("at the stop"),
          near);
  becomes(9, QStringLiteral("comes off"), far);
  page.text(at, y + 17.6, room, 3.6,
            QStringLiteral("out of %1").arg(figures(made.piece.dx, made.piece.dy, style)), 7);
}

}  // namespace

Result<Sheaf> cuttingListPages(const PrintInput& input) {
  if (input.plan == nullptr || (input.plan->sheets.empty() && input.plan->bars.empty()))
    return Problem{{}, 0, "cutting list", "no plan", "sheets that have been laid out"};
  if (const auto made = saw::madeCuts(*input.request, *input.plan); !made) return made.problems();
  auto plan = std::make_shared<const CuttingPlan>(CuttingPlan{{}, {}, *input.request, *input.plan});
  return Sheaf{
      QStringLiteral("%1: cutting list").arg(qs(input.job.name)),
      [input, plan = std::move(plan)](Page& page, const PrintWatch& watch) {
        const LengthStyle style = styleOf(input.job);
        // As it is at the saw before the first cut: those of sheets, then those of bars.
        const floor::CuttingProgress begun = floor::begun(*plan);
        const floor::AtSaw saw(*plan, 1, begun, saw::barCuts(*plan));
        const int sheetSettings = plan->plan.setups;
        int settings = sheetSettings;
        for (std::size_t i = plan->plan.cuts.size(); i < saw.cuts(); ++i)
          settings = std::max(settings, sheetSettings + saw.cut(i).setup);
        page.begin();
        for (const char* words :
             {"Blade guard and riving knife on. Full sheets: a second pair of hands or a support.",
              "Narrow rips with a push block; short pieces on the sled, never freehand at the "
              "fence.",
              "The hatched bar is where the fence or the stop is; what is grey comes off."}) {
          page.text(page.left(), page.y(), page.right() - page.left(), 5, QString::fromUtf8(words),
                    9);
          page.down(5);
        }
        page.down(1.5);
        const double w = (page.right() - page.left() - (kAcross - 1) * kStepGap) / kAcross;
        // What was said last: a setting, or what is cut to a mark on which saw.
        using Said = std::tuple<int, std::string, QString>;
        std::optional<Said> last;
        const auto said = [&](std::size_t i) {
          const SawCut& cut = saw.cut(i);
          if (!cut.isToMark()) return Said{cut.setup + (saw.isBar(i) ? sheetSettings : 0), {}, {}};
          return Said{0, cut.machine, kindWords(cut) + readWords(cut, saw.geometry(i), style)};
        };
        int column = 0;
        const auto next = [&](bool newRow) {
          if (column == kAcross || (newRow && column > 0)) {
            page.down(kCell);
            column = 0;
          }
          if (column == 0 && page.need(kCell)) last.reset();  // what is set is said again
        };
        for (std::size_t i = 0; i < saw.cuts(); ++i) {
          if (watch.isStopped()) return;
          watch.tell(i, saw.cuts());
          next(said(i) != last);
          if (page.isFull()) return;
          if (said(i) != last) {
            page.rule(page.y() - 0.6, 0.3);
            if (saw.cut(i).isToMark())
              toAMark(page, page.left(), w, saw.cut(i), saw.geometry(i), style);
            else
              setting(page, page.left(), w, saw.cut(i), saw.geometry(i), plan->request.shop, style,
                      std::get<0>(said(i)), settings);
            last = said(i);
            column = 1;
          }
          cell(page, page.left() + column * (w + kStepGap), w, saw, i, style);
          ++column;
        }
      }};
}

}  // namespace pp

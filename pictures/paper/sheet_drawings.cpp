#include "pictures/paint/figures.h"
#include "pictures/paint/sheet_picture.h"
#include "pictures/paper/pdf.h"

namespace pp {

std::optional<Problem> printSheets(const PrintInput& input, Paper paper, const QString& path,
                                   const PrintWatch& watch) {
  if (input.plan == nullptr || input.plan->sheets.empty())
    return Problem{path.toStdString(), 0, "sheets", "no plan", "sheets that have been laid out"};
  const auto cuts = saw::madeCuts(*input.request, *input.plan);
  if (!cuts) return cuts.problems().front();
  const QString title = QStringLiteral("%1: sheets").arg(qs(input.job.name));
  return writePdf(path, paper, true, title, watch, [&](Page& page) {
    for (std::size_t i = 0; i < input.plan->sheets.size() && !watch.isStopped(); ++i) {
      watch.tell(i, input.plan->sheets.size());
      page.begin();
      SheetPicture picture;
      picture.job = &input.job;
      picture.parts = &input.parts;
      picture.request = input.request;
      picture.sheet = &input.plan->sheets[i];
      picture.index = i;
      picture.name = sheetName(*input.request, *input.plan, i);
      picture.cuts = &cuts.value();
      picture.cutsShown = cuts->size();
      // The picture is made for pixels: give it about 96 to the inch and scale.
      constexpr double kPixelsPerMm = 96 / 25.4;
      page.painter().save();
      page.painter().scale(1 / kPixelsPerMm, 1 / kPixelsPerMm);
      const QRectF room(page.left() * kPixelsPerMm, page.y() * kPixelsPerMm,
                        (page.right() - page.left()) * kPixelsPerMm,
                        (page.bottom() - page.y()) * kPixelsPerMm);
      picture.paint(page.painter(), room);
      page.painter().restore();
    }
  });
}

}  // namespace pp

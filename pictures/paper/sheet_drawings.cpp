#include "pictures/paint/sheet_picture.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {

Result<Sheaf> sheetPages(const PrintInput& input) {
  if (input.plan == nullptr || input.plan->sheets.empty())
    return Problem{{}, 0, "sheets", "no plan", "sheets that have been laid out"};
  auto cuts = saw::madeCuts(*input.request, *input.plan);
  if (!cuts) return cuts.problems();
  return Sheaf{QStringLiteral("%1: sheets").arg(qs(input.job.name)),
               [input, cuts = std::move(cuts).value()](Page& page, const PrintWatch& watch) {
                 for (std::size_t i = 0; i < input.plan->sheets.size(); ++i) {
                   if (watch.isStopped()) return;
                   watch.tell(i, input.plan->sheets.size());
                   page.begin();
                   if (page.isFull()) return;
                   SheetPicture picture;
                   picture.job = &input.job;
                   picture.parts = &input.parts;
                   picture.request = input.request;
                   picture.sheet = &input.plan->sheets[i];
                   picture.index = i;
                   picture.name = sheetName(*input.request, *input.plan, i);
                   picture.cuts = &cuts;
                   picture.cutsShown = cuts.size();
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
               }};
}

}  // namespace pp

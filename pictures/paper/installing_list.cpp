#include <memory>

#include "core/assembly/pages.h"
#include "core/breakdown/fittings.h"
#include "pictures/paint/installing_picture.h"
#include "pictures/paper/bench_rows.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kLoadLine = 4.6;
constexpr double kLoadHead = 9;

class InstallingPages {
 public:
  InstallingPages(Page& page, const PrintInput& input, const bench::Installings& of)
      : page_(page), job_(input.job), parts_(input.parts), of_(of), style_(styleOf(input.job)) {}

  void run() {
    page_.begin();
    for (std::size_t group = 0; group < of_.list.groups().size(); ++group) {
      const bool loading = of_.isLoading(group);
      if (group == of_.groups.size()) bag();
      const QString of = qs(of_.of(group, 0).of);
      head(loading ? QStringLiteral("%1, into the van").arg(of)
                   : QStringLiteral("%1, in place").arg(of));
      for (std::size_t i = 0; i < of_.list.groups()[group].size(); ++i) {
        const bench::Carried& one = of_.of(group, i);
        QStringList lines = {loadWords(one, style_), carryWords(one)};
        if (one.isForTwo()) lines << QStringLiteral("Two carry it.");
        item(one, loading ? lines : placeWords(one, of_.list.pieces(), style_) + placeCautions(one),
             *of_.list.groups()[group][i].numbers);
      }
    }
  }

 private:
  double wide() const { return page_.right() - page_.left(); }

  void head(const QString& words) {
    page_.need(kLoadHead + 20);
    if (page_.isFull()) return;
    page_.rule(page_.y() - 0.6, 0.3);
    page_.text(page_.left(), page_.y() + 0.5, wide(), 6, words, 12, true);
    page_.down(kLoadHead);
  }

  void item(const bench::Carried& one, const QStringList& lines,
            const std::vector<std::int64_t>& numbers) {
    const double high = 5.6 + kLoadLine * static_cast<double>(lines.size()) + 7;
    page_.need(high);
    if (page_.isFull()) return;
    double y = page_.y();
    page_.text(page_.left(), y, wide(), 5.6, carriedWords(one, of_.list.pieces()), 11, true);
    y += 5.6;
    for (const QString& line : lines) {
      page_.text(page_.left(), y, wide(), kLoadLine, line, 9);
      y += kLoadLine;
    }
    tickBoxes(page_, page_.left(), y + 0.4, wide(), numbers);
    page_.down(high);
  }

  // What is small and is missed at the place.
  void bag() {
    const auto line = [&](const QString& words) {
      page_.need(kLoadLine + 1.6);
      if (page_.isFull()) return;
      page_.box(page_.left(), page_.y() + 0.4, 4);
      page_.text(page_.left() + 6, page_.y(), wide() - 6, kLoadLine, words, 9);
      page_.down(kLoadLine + 1.2);
    };
    head(QStringLiteral("The bag, and tools"));
    for (const Fitting& one : fittingsOf(job_, parts_)) {
      // Used in the shop, or listed below by the maker's own name.
      const bool isUsed = one.kind == HardwareKind::Glue || one.kind == HardwareKind::Screw ||
                          (one.kind == HardwareKind::Other && one.name != "leg");
      if (isUsed || isBoughtIn(job_, one)) continue;
      QString words = QStringLiteral("%1 × %2").arg(one.count).arg(qs(one.name));
      // A slide is called by its length.
      if (one.length > Length{} && one.kind != HardwareKind::Slide)
        words += QLatin1Char(' ') + figureWithUnit(one.length, style_);
      line(words);
    }
    for (const BoughtIn& one : job_.bought)
      line(QStringLiteral("%1 × %2").arg(one.quantity).arg(qs(one.name)));
    line(QStringLiteral("screws for joining the cases and for the wall"));
    line(QStringLiteral("glue, filler, touch-up, caulk"));
    line(QStringLiteral("level, shims, clamps, drill and bits, blankets, straps"));
    page_.down(3);
  }

  Page& page_;
  const Job& job_;
  const std::vector<Part>& parts_;
  const bench::Installings& of_;
  LengthStyle style_;
};

}  // namespace

Result<Sheaf> installingPages(const PrintInput& input) {
  auto of = std::make_shared<const bench::Installings>(bench::piecesAtBench({}, {}, input.parts),
                                                       input.job);
  if (of->carried.empty())
    return Problem{{}, 0, "installing", "nothing that is carried", "an assembly of some parts"};
  return Sheaf{
      QStringLiteral("%1: van and place").arg(qs(input.job.name)),
      [input, of](Page& page, const PrintWatch&) { InstallingPages(page, input, *of).run(); }};
}

}  // namespace pp

#include "app/paint/figures.h"
#include "app/print/pdf.h"

namespace pp {
namespace {

struct Column {
  const char* title;
  double width;
  int alignment;
};

constexpr int kLeft = Qt::AlignLeft | Qt::AlignVCenter;
constexpr int kRight = Qt::AlignRight | Qt::AlignVCenter;
constexpr double kRow = 6;

// On landscape paper; the widths fill the narrower of the two papers.
const Column kColumns[] = {{"", 6, kLeft},
                           {"Code", 20, kLeft},
                           {"Part", 44, kLeft},
                           {"Qty", 10, kRight},
                           {"Length", 28, kRight},
                           {"Width", 28, kRight},
                           {"Cut length", 28, kRight},
                           {"Cut width", 28, kRight},
                           {"  Material", 32, kLeft},
                           {"Banding", 29, kLeft}};

QString bandingOf(const Part& part) {
  QStringList out;
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    if (!part.bands[i].empty()) out << qs(sideName(part.edges[i]));
  }
  return out.join(QStringLiteral(", "));
}

void heading(Page& page) {
  double x = page.left();
  for (const Column& column : kColumns) {
    page.text(x, page.y(), column.width, kRow, QString::fromUtf8(column.title), 8, true,
              column.alignment);
    x += column.width;
  }
  page.down(kRow);
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
    page.text(x, page.y(), column.width, kRow, cells[i], i == 1 ? 9 : 8.5, i == 1,
              column.alignment);
    x += column.width;
    ++i;
  }
  page.down(kRow);
}

}  // namespace

std::optional<Problem> printPartsList(const PrintInput& input, Paper paper, const QString& path) {
  const LengthStyle style = styleOf(input.job);
  const QString unit = style.unit == Unit::Inch ? QStringLiteral("inches") : QStringLiteral("mm");
  return writePdf(path, paper, true,
                  QStringLiteral("%1: parts, in %2").arg(qs(input.job.name), unit),
                  [&](Page& page) {
                    page.begin();
                    std::string assembly;
                    bool first = true;
                    for (const Part& part : input.parts) {
                      if (first || part.assembly != assembly) {
                        assembly = part.assembly;
                        constexpr double kRoomForSome = 32;
                        page.need(kRoomForSome);
                        page.down(first ? 0 : 3);
                        page.text(page.left(), page.y(), 150, 7,
                                  qs(assemblyTitle(input.job, assembly)), 10, true);
                        page.down(7);
                        heading(page);
                        first = false;
                      }
                      if (page.need(kRow)) heading(page);
                      row(page, input.job, part);
                    }
                  });
}

}  // namespace pp

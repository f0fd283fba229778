#include "pictures/paper/print.h"

#include <QBuffer>
#include <QPdfWriter>

#include "core/formats/file.h"
#include "pictures/paint/look.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

Result<Sheaf> sheafOf(Pages pages, const PrintInput& input) {
  switch (pages) {
    case Pages::PartsList:
      return partsListPages(input);
    case Pages::Sheets:
      return sheetPages(input);
    case Pages::CuttingList:
      return cuttingListPages(input);
    case Pages::MeasuringSheet:
      return measuringPages(input);
    case Pages::ShoppingList:
      return shoppingPages(input);
    case Pages::Machining:
      return machiningPages(input);
    case Pages::Banding:
      return bandingPages(input);
    case Pages::Installing:
      return installingPages(input);
    case Pages::Assembly:
      return assemblyPages(input);
    case Pages::Finishing:
      return finishingPages(input);
    case Pages::Templates:
      return templatePages(input);
    case Pages::RackTags:
      return tagPages(input);
    case Pages::Labels:
      break;
  }
  return labelPages(input);
}

}  // namespace

void setPaper(QPagedPaintDevice& device, Pages pages, Paper paper, const Job& job) {
  // A label sheet is what it is.
  if (pages == Pages::Labels || pages == Pages::RackTags)
    paper = job.labels.letter ? Paper::Letter : Paper::A4;
  const bool landscape = pages == Pages::PartsList || pages == Pages::Sheets;
  device.setPageSize(QPageSize(paper == Paper::A4 ? QPageSize::A4 : QPageSize::Letter));
  device.setPageOrientation(landscape ? QPageLayout::Landscape : QPageLayout::Portrait);
  device.setPageMargins(QMarginsF(0, 0, 0, 0));
}

std::optional<Problem> drawPages(Pages pages, const PrintInput& input, QPagedPaintDevice& device,
                                 int dpi, const PrintWatch& watch, std::vector<TextLaid>* laid) {
  const auto sheaf = sheafOf(pages, input);
  if (!sheaf) return sheaf.problems().front();
  QPainter painter(&device);
  constexpr double kMmPerInch = 25.4;
  painter.scale(dpi / kMmPerInch, dpi / kMmPerInch);
  Page page(device, painter, sheaf->title, watch.mostPages, laid);
  sheaf->draw(page, watch);
  return std::nullopt;
}

std::optional<Problem> printPages(Pages pages, const PrintInput& input, Paper paper,
                                  const QString& path, const PrintWatch& watch) {
  look::loadFonts();
  QByteArray bytes;
  {
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setTitle(qs(input.job.name));
    writer.setCreator(QStringLiteral("Plain Patch"));
    setPaper(writer, pages, paper, input.job);
    constexpr int kDpi = 600;
    writer.setResolution(kDpi);
    if (auto problem = drawPages(pages, input, writer, kDpi, watch)) {
      if (problem->file.empty()) problem->file = path.toStdString();
      return problem;
    }
  }
  if (watch.isStopped())
    return Problem{path.toStdString(), 0, {}, "printing stopped", "that it goes on to the end"};
  return writeFile(path.toStdString(),
                   std::string_view(bytes.constData(), static_cast<std::size_t>(bytes.size())));
}

QString labelCode(const Job& job, const Part& part, std::int64_t copy) {
  return QStringLiteral("PP1:%1:%2.%3:%4")
      .arg(qs(job.id).toUpper())  // capitals and digits take the least room in a QR code
      .arg(part.keys.empty() ? 0 : part.keys.front().assembly)
      .arg(part.number)
      .arg(copy);
}

}  // namespace pp

#include "pictures/paper/print.h"

#include <QBuffer>

#include "core/formats/file.h"
#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paper/pdf.h"

namespace pp {

std::optional<Problem> writePdf(const QString& path, Paper paper, bool landscape,
                                const QString& title, const PrintWatch& watch,
                                const std::function<void(Page&)>& draw) {
  look::loadFonts();
  QByteArray bytes;
  {
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setTitle(title);
    writer.setCreator(QStringLiteral("Plain Patch"));
    writer.setPageSize(QPageSize(paper == Paper::A4 ? QPageSize::A4 : QPageSize::Letter));
    writer.setPageOrientation(landscape ? QPageLayout::Landscape : QPageLayout::Portrait);
    writer.setPageMargins(QMarginsF(0, 0, 0, 0));
    constexpr int kDpi = 600;
    writer.setResolution(kDpi);
    QPainter painter(&writer);
    painter.scale(kDpi / 25.4, kDpi / 25.4);
    Page page(writer, painter, title);
    draw(page);
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

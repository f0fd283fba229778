#include "app/shell/print_order.h"

#include <QFileInfo>
#include <QObject>

#include "core/assembly/pages.h"
#include "core/formats/exchange.h"
#include "core/formats/file.h"
#include "core/formats/plan_json.h"
#include "core/machining/templates.h"

namespace pp {

std::optional<Problem> PrintOrder::with(
    Pages pages, const std::function<std::optional<Problem>(const PrintInput&)>& act) const {
  const std::vector<Part>& all = breakdown->parts;
  const std::vector<Part> cut = sheetParts(all);
  const bool sheets = pages == Pages::Sheets || pages == Pages::CuttingList;
  PrintInput input{*job, sheets ? cut : all, nullptr, nullptr, usedLabels, shopping.get()};
  input.finishes = &finishes;
  if (sheets && plan.plan != nullptr) {
    input.request = plan.request.get();
    input.plan = plan.plan.get();
  }
  return act(input);
}

std::optional<Problem> PrintOrder::draw(Pages pages, QPrinter& printer,
                                        const PrintWatch& watch) const {
  setPaper(printer, pages, paper, *job);
  return with(pages, [&](const PrintInput& input) {
    return drawPages(pages, input, printer, printer.resolution(), watch);
  });
}

PrintOrder::Outcome PrintOrder::write(const QDir& folder, const QString& stem,
                                      const PrintWatch& watch) const {
  QStringList written;
  std::optional<Problem> problem;
  const auto file = [&](const char* name, auto make) {
    if (problem) return;
    const QString path = folder.filePath(stem + QLatin1Char(' ') + QLatin1String(name));
    problem = make(path);
    if (!problem) written << QFileInfo(path).fileName();
  };
  const auto pdf = [&](Pages pages, const char* name) {
    file(name, [&](const QString& path) {
      return with(pages, [&](const PrintInput& input) {
        return printPages(pages, input, paper, path, watch);
      });
    });
  };
  for (const Pages pages : wanted) switch (pages) {
      case Pages::PartsList:
        pdf(pages, "parts.pdf");
        file("parts.csv", [&](const QString& path) {
          return writeFile(path.toStdString(), writeParts(*job, breakdown->parts));
        });
        break;
      case Pages::Sheets:
        pdf(pages, "sheets.pdf");
        file("plan.json", [&](const QString& path) {
          return writeFile(path.toStdString(), writePlan(*plan.request, *plan.plan));
        });
        break;
      case Pages::CuttingList:
        pdf(pages, "cutting list.pdf");
        break;
      case Pages::Labels:
        pdf(pages, "labels.pdf");
        break;
      case Pages::MeasuringSheet:
        pdf(pages, "measuring sheet.pdf");
        break;
      case Pages::Machining:
        pdf(pages, "machining.pdf");
        break;
      case Pages::Banding:
        pdf(pages, "banding.pdf");
        break;
      case Pages::Finishing:
        pdf(pages, "finishing.pdf");
        break;
      case Pages::Assembly:
        pdf(pages, "assembly.pdf");
        break;
      case Pages::Installing:
        pdf(pages, "installing.pdf");
        break;
      case Pages::Templates: {
        pdf(pages, "templates.pdf");
        const bench::Machinings of(bench::piecesAtBench({}, {}, breakdown->parts), breakdown->parts,
                                   *job);
        int number = 0;
        for (const bench::ShapeTemplate& shape : bench::templates(of.settings, of.list.pieces())) {
          const std::string name = "template " + std::to_string(++number);
          file((name + ".dxf").c_str(), [&](const QString& path) {
            return writeFile(path.toStdString(), bench::writeDxf(shape));
          });
          file((name + ".svg").c_str(), [&](const QString& path) {
            return writeFile(path.toStdString(), bench::writeSvg(shape));
          });
        }
        break;
      }
      case Pages::RackTags:
        break;  // the shop's, not the job's
      case Pages::ShoppingList:
        pdf(pages, "shopping list.pdf");
        file("shopping list.csv", [&](const QString& path) {
          return writeFile(path.toStdString(), writeShopping(*shopping, job->unit));
        });
        break;
    }
  return {written, problem};
}

PrintOrder::Outcome PrintOrder::print(QPrinter& printer, const QString& stem,
                                      const PrintWatch& watch) const {
  QStringList printed;
  for (const Pages pages : wanted) {
    if (watch.isStopped()) break;
    const QString name = QObject::tr(kPrintKinds[static_cast<std::size_t>(pages)].words);
    printer.setDocName(stem + QLatin1Char(' ') + name);
    if (auto problem = draw(pages, printer, watch)) return {printed, problem};
    printed << name;
  }
  return {printed, std::nullopt};
}

}  // namespace pp

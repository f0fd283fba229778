// What can be put on paper: drawn page by page on any device that has pages, a printer, its preview
// or a PDF.
#pragma once

#include <QByteArray>
#include <QImage>
#include <QPagedPaintDevice>
#include <QRectF>
#include <QSizeF>
#include <QString>
#include <functional>
#include <optional>
#include <stop_token>
#include <variant>
#include <vector>

#include "core/breakdown/breakdown.h"
#include "core/plan/plan.h"

namespace pp {

struct ShoppingList;
struct ShopFinish;

enum class Paper { A4, Letter };

// The parts list ends with the bars and what is cut from each, and what is bought in. Labels are
// one a piece, on the grid and paper of the job's label sheet, as are those of the rack. The
// machining list has a setting after the other with every piece that needs it, the banding list a
// roll with every edge, the finishing list its coats with when each goes on, the assembly list its
// steps, each drawn; the installing list says what goes into the van and what is
// done with it in its place. Templates are full size, on as many pages as that takes, to be laid
// mark on mark. The measuring sheet is empty, to be taken along, and filled where something was
// read. The shopping list is large, for the counter.
enum class Pages {
  PartsList,
  Sheets,
  CuttingList,
  Labels,
  MeasuringSheet,
  ShoppingList,
  Machining,
  Banding,
  Finishing,
  Assembly,
  Installing,
  Templates,
  RackTags
};

// The label of a piece that stands in the rack.
struct RackTag {
  QString tag;             // "R12"
  QString material, size;  // in words, with units
  QString words;           // lot, place, where it came from
};

// The label of one piece of a part, as it was cut.
struct PieceLabel {
  Part part;
  std::int64_t number = 1;  // of the piece, 1-based
};
using LabelFor = std::variant<PieceLabel, RackTag>;

// Everything the pages are made from; values and references that outlive the call.
struct PrintInput {
  const Job& job;
  const std::vector<Part>& parts;
  const NestRequest* request = nullptr;  // with plan: needed for sheets and the cutting list
  const Plan* plan = nullptr;
  int usedLabels = 0;                      // fields of the first label sheet that are empty already
  const ShoppingList* shopping = nullptr;  // needed for the shopping list
  const std::vector<RackTag>* tags = nullptr;         // needed for the labels of the rack
  const std::vector<LabelFor>* labels = nullptr;      // null: one a piece of every part
  const std::vector<ShopFinish>* finishes = nullptr;  // of the shop; null: it has none
};

// How far it is, and whether it is still wanted; asked and told on the thread that prints.
struct PrintWatch {
  std::stop_token stop;
  std::function<void(std::size_t done, std::size_t of)> progress;
  int mostPages = 0;  // no more are drawn; 0: all

  bool isStopped() const { return stop.stop_requested(); }
  void tell(std::size_t done, std::size_t of) const {
    if (progress) progress(done, of);
  }
};

// A line of text as it came to lie, in millimetres; `ink` is what its letters take.
struct TextLaid {
  int page = 1;
  QRectF box, ink;
  QString text;
  double points = 0;
  bool cut = false;  // some of it is left out
};

// All of these may run on any thread once look::loadFonts() was called on the window's.

// Gives the device the paper and how it lies. To be called before anything is drawn on it.
void setPaper(QPagedPaintDevice& device, Pages pages, Paper paper, const Job& job);
// Draws them, at so many dots an inch. `laid`, where given, gets every line of text.
std::optional<Problem> drawPages(Pages pages, const PrintInput& input, QPagedPaintDevice& device,
                                 int dpi, const PrintWatch& watch = {},
                                 std::vector<TextLaid>* laid = nullptr);
// Writes a whole PDF to `path` by way of a temporary file, or says why it cannot. Stopped, it
// writes nothing and says so.
std::optional<Problem> printPages(Pages pages, const PrintInput& input, Paper paper,
                                  const QString& path, const PrintWatch& watch = {});

// What the QR code of a piece's label says: "PP1:", the job's id, the part in the code book (the
// assembly's id and the number), and which piece of it; "PP1:3F0C…:12.7:1".
QString labelCode(const Job& job, const Part& part, std::int64_t copy);

// A label by itself, as a picture for such a printer, and as a page and a picture of the same.
QImage labelImage(const Job& job, const LabelFor& label);
struct SingleLabel {
  QByteArray pdf, png;
};
constexpr QSizeF kSingleLabel(72, 44);  // millimetres
SingleLabel singleLabel(const Job& job, const LabelFor& label);

}  // namespace pp

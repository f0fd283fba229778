#include <fmt/format.h>

#include "core/formats/csv.h"
#include "core/formats/exchange.h"

namespace pp {
namespace {

const char* grainName(PartGrain grain) {
  switch (grain) {
    case PartGrain::Length:
      return "length";
    case PartGrain::Width:
      return "width";
    case PartGrain::Any:
      return "any";
  }
  return "";
}

const char* grainName(SheetGrain grain) {
  switch (grain) {
    case SheetGrain::Length:
      return "length";
    case SheetGrain::Width:
      return "width";
    case SheetGrain::None:
      return "none";
  }
  return "";
}

std::string mm(Length length) {
  return formatMm(length) + "mm";
}

}  // namespace

std::string writeParts(const Job& job, const std::vector<Part>& parts) {
  std::string out =
      "# unit: mm\ncode,name,assembly,qty,length,width,thickness,material,grain,band_l1,band_l2,"
      "band_w1,band_w2,oversize,run,run_order,note\n";
  for (const Part& part : parts) {
    if (part.lumber) continue;  // no sheet has it; bars have a list of their own
    const Material& material = *findMaterial(job, part.material);
    const bool shared = part.perBlank > 1;
    const std::string note = shared                     ? fmt::format("blank for {}", part.perBlank)
                             : part.hand == Hand::Left  ? "left hand"
                             : part.hand == Hand::Right ? "right hand"
                                                        : "";
    out += fmt::format("{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{}\n", csvText(part.code),
                       csvText(part.name), csvText(part.assembly), part.blanks(),
                       mm(part.length.total()), mm(shared ? part.blank() : part.width.total()),
                       mm(material.nominal), csvText(material.name), grainName(part.grain),
                       csvText(part.bands[0]), csvText(part.bands[1]), csvText(part.bands[2]),
                       csvText(part.bands[3]), mm(part.oversize), csvText(part.run),
                       part.run.empty() ? "" : std::to_string(part.runOrder), note);
  }
  return out;
}

std::string writeStock(const Job& job) {
  std::string out =
      "# unit: mm\nid,material,thickness,measured,length,width,grain,qty,price,kind,trim\n";
  for (const StockPiece& piece : job.stock) {
    const Material& material = *findMaterial(job, piece.material);
    if (material.lumber) continue;
    out += fmt::format(
        "{},{},{},{},{},{},{},{},{},{},{}\n", csvText(piece.id), csvText(material.name),
        mm(material.nominal), mm(piece.measured.value_or(material.measured)), mm(piece.length),
        mm(piece.width), grainName(piece.grain),
        piece.quantity ? std::to_string(*piece.quantity) : "unlimited", format(piece.price),
        piece.kind == StockKind::Sheet ? "sheet" : "offcut", piece.trim ? mm(*piece.trim) : "");
  }
  return out;
}

std::string writeBanding(const Job& job) {
  std::string out = "# unit: mm\nname,thickness,width,price,roll_length,deduct\n";
  for (const Banding& banding : job.bandings)
    out += fmt::format("{},{},{},{},{},{}\n", csvText(banding.name), mm(banding.thickness),
                       mm(banding.width), format(banding.price), mm(banding.rollLength),
                       banding.deduct ? "yes" : "no");
  return out;
}

}  // namespace pp

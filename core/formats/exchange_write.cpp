#include <fmt/format.h>

#include "core/formats/csv.h"
#include "core/formats/defect_text.h"
#include "core/formats/exchange.h"
#include "core/formats/list_lengths.h"

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

// Which size of the parts of a run follow one another along its strip.
const char* seriesName(const Part& part) {
  if (part.run.empty() || part.series == RunSeries::Either) return "";
  return part.series == RunSeries::Length ? "length" : "width";
}

}  // namespace

std::string writeParts(const Job& job, const std::vector<Part>& parts) {
  const ListLengths length(job.unit);
  std::string out = length.unitLine() +
                    "code,name,assembly,qty,length,width,thickness,material,grain,band_l1,band_l2,"
                    "band_w1,band_w2,oversize,run,run_order,note,run_series,run_mitred,"
                    "cut_length,cut_width\n";
  for (const Part& part : parts) {
    if (part.lumber) continue;  // no sheet has it; bars have a list of their own
    const Material& material = *findMaterial(job, part.material);
    const bool shared = part.perBlank > 1;
    std::string note = shared                     ? fmt::format("blank for {}", part.perBlank)
                       : part.hand == Hand::Left  ? "left hand"
                       : part.hand == Hand::Right ? "right hand"
                                                  : "";
    if (!part.note.empty()) note += (note.empty() ? "" : "; ") + part.note;
    const auto band = [&](std::size_t edge) {
      const Banding* banding = findBanding(job, part.bands[edge]);
      return banding == nullptr ? std::string() : csvText(banding->name);
    };
    out += fmt::format(
        "{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{},{}\n", csvText(part.code),
        csvText(part.name), csvText(part.assembly), part.blanks(), length(part.length.total()),
        length(shared ? part.blank() : part.width.total()), length(material.nominal),
        csvText(material.name), grainName(part.grain), band(0), band(1), band(2), band(3),
        length(part.oversize), csvText(part.run),
        part.run.empty() ? "" : std::to_string(part.runOrder), csvText(note), seriesName(part),
        part.runsRound ? "yes" : "", length(part.cutLength()), length(part.blank()));
  }
  return out;
}

std::string writeStock(const Job& job) {
  const ListLengths length(job.unit);
  std::string out =
      length.unitLine() +
      "id,material,thickness,measured,length,width,grain,qty,price,kind,trim,lot,defects\n";
  for (const StockPiece& piece : job.stock) {
    const Material& material = *findMaterial(job, piece.material);
    if (material.lumber) continue;
    out += fmt::format(
        "{},{},{},{},{},{},{},{},{},{},{},{},{}\n", csvText(piece.mark), csvText(material.name),
        length(material.nominal), length(piece.measured.value_or(material.measured)),
        length(piece.length), length(piece.width), grainName(piece.grain),
        piece.quantity ? std::to_string(*piece.quantity) : "unlimited", format(piece.price),
        piece.kind == StockKind::Sheet ? "sheet" : "offcut", piece.trim ? length(*piece.trim) : "",
        csvText(piece.lot), defectsText(piece.defects, job.unit));
  }
  return out;
}

std::string writeBanding(const Job& job) {
  const ListLengths length(job.unit);
  std::string out = length.unitLine() + "name,thickness,width,price,roll_length,deduct\n";
  for (const Banding& banding : job.bandings)
    out += fmt::format("{},{},{},{},{},{}\n", csvText(banding.name), length(banding.thickness),
                       length(banding.width), format(banding.price), length(banding.rollLength),
                       banding.deduct ? "yes" : "no");
  return out;
}

}  // namespace pp

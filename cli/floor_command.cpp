#include <fmt/format.h>

#include <iostream>

#include "cli/commands.h"
#include "core/fields/json_archive.h"
#include "core/floor/balance.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/formats/journal.h"

namespace pp::cli {
namespace {

struct PartRow {
  std::string code;
  floor::CodeCount count;
};
void fields(Archive& a, PartRow& v) {
  a("code", v.code);
  a("wanted", v.count.wanted);
  a("good", v.count.good);
  a("toDo", v.count.toDo);
  a("missing", v.count.missing);
  a("spoiled", v.count.spoiled);
  a("spares", v.count.spares);
}

struct LeftRow {
  std::string name, material;
  Length thickness, length, width;
  bool returned = false;
};
void fields(Archive& a, LeftRow& v) {
  a("name", v.name);
  a("material", v.material);
  a("thickness", v.thickness);
  a("length", v.length);
  a("width", v.width);
  a("returned", v.returned);
}

std::int64_t squareMm(Area area) {
  constexpr Int128 kNm2 = 1'000'000'000'000;
  return static_cast<std::int64_t>((area.inNm2() + kNm2 / 2) / kNm2);
}

struct SheetRow {
  floor::SheetBalance of;
};
void fields(Archive& a, SheetRow& v) {
  std::string stock = v.of.stock->id;
  a("name", v.of.name);
  a("stock", stock);
  const auto area = [&a](const char* name, Area value) {
    std::int64_t rounded = squareMm(value);
    a(name, rounded);
  };
  area("sheet", v.of.sheet);
  area("parts", v.of.parts);
  area("spoiled", v.of.spoiled);
  area("leftovers", v.of.leftovers);
  area("toCut", v.of.toCut);
  area("waste", v.of.waste);
  area("kerf", v.of.kerf);
  area("otherwise", v.of.otherwise);
}

struct CuttingRow {
  int number = 0, plan = 0;
  bool givenUp = false;
  std::int64_t cutsMade = 0, cuts = 0;
  std::vector<std::string> lying, toCut;  // all, and what is cut further
  std::vector<PartRow> parts;
  std::vector<LeftRow> leftovers;
  std::vector<SheetRow> sheets;
};
void fields(Archive& a, CuttingRow& v) {
  a("cutting", v.number);
  a("plan", v.plan);
  a("givenUp", v.givenUp);
  a("cutsMade", v.cutsMade);
  a("cuts", v.cuts);
  a("lying", v.lying);
  a("toCut", v.toCut);
  a("parts", v.parts);
  a("leftovers", v.leftovers);
  a("sheets", v.sheets);
}

struct IgnoredRow {
  std::int64_t seq = 0;
  std::string why;
};
void fields(Archive& a, IgnoredRow& v) {
  a("seq", v.seq);
  a("why", v.why);
}

LeftRow rowOf(const floor::LeftoverThere& left, Unit unit, bool returned) {
  return {left.on.leftover,
          left.stock->material,
          left.stock->thickness,
          floor::wholeDown(left.length, unit),
          floor::wholeDown(left.width, unit),
          returned};
}

CuttingRow rowOf(const floor::Ledger& ledger, int number, const floor::CuttingProgress& at,
                 Unit unit) {
  CuttingRow out;
  out.number = number;
  out.plan = at.plan;
  out.givenUp = at.givenUp;
  out.cutsMade = std::ssize(at.madeOf(at.plan)) + std::ssize(at.bars);
  out.cuts = std::ssize(ledger.plan(number, at.plan)->plan.cuts) +
             std::ssize(ledger.cutting(number)->bars);
  for (const SawnPiece& piece : at.bench) {
    out.lying.push_back(ledger.nameOf(number, piece));
    const bool isCut = ledger.pieces(number, piece.plan)->find(piece)->dividedBy != 0;
    if (isCut && !at.givenUp && piece.plan == at.plan) out.toCut.push_back(out.lying.back());
  }
  for (const auto& [code, count] : floor::countsOf(ledger, number))
    out.parts.push_back({code, count});
  for (const floor::LeftoverThere& left : ledger.leftovers())
    if (left.on.cutting == number) out.leftovers.push_back(rowOf(left, unit, false));
  for (const auto& [name, piece] : at.returned)
    if (const auto left = ledger.leftover({std::nullopt, number, name}))
      out.leftovers.push_back(rowOf(*left, unit, true));
  return out;
}

std::string asJson(std::vector<CuttingRow> cuttings, std::vector<IgnoredRow> ignored) {
  JsonWriter writer;
  writer("cuttings", cuttings);
  writer("ignored", ignored);
  return writer.indented();
}

void say(const CuttingRow& cutting, const LengthStyle& style) {
  std::cout << fmt::format("cutting {}, plan {}{}: {} of {} cuts made\n", cutting.number,
                           cutting.plan, cutting.givenUp ? ", given up" : "", cutting.cutsMade,
                           cutting.cuts);
  std::string lying;
  for (const std::string& one : cutting.toCut) lying += (lying.empty() ? "" : ", ") + one;
  std::cout << "  lies there to be cut: " << (lying.empty() ? "nothing" : lying) << "\n";
  for (const PartRow& part : cutting.parts)
    std::cout << fmt::format("  {}: {} of {} good, {} to cut, {} missing, {} spoiled, {} spare\n",
                             part.code, part.count.good, part.count.wanted, part.count.toDo,
                             part.count.missing, part.count.spoiled, part.count.spares);
  for (const LeftRow& left : cutting.leftovers)
    std::cout << fmt::format("  left over{}: {}, {} {}, {} by {}\n",
                             left.returned ? ", in the rack" : "", left.name,
                             format(left.thickness, style), left.material,
                             format(left.length, style), format(left.width, style));
  for (const auto& [sheet] : cutting.sheets) {
    const auto share = [&whole = sheet.sheet](Area area) {
      return 100 * area.inM2() / whole.inM2();
    };
    std::cout << fmt::format(
        "  {} of {}: {:.1f} % parts, {:.1f} % spoiled, {:.1f} % left over, {:.1f} % to cut, "
        "{:.1f} % waste, {:.1f} % kerf\n",
        sheet.name, sheet.stock->id, share(sheet.parts), share(sheet.spoiled),
        share(sheet.leftovers), share(sheet.toCut), share(sheet.waste + sheet.otherwise),
        share(sheet.kerf));
  }
}

}  // namespace

int run(const FloorOptions& options) {
  const auto text = readFile(options.job);
  if (!text) return refuse(text.problems());
  auto read = readJobWithRecord(options.job, text.value());
  if (!read) return refuse(read.problems());
  Record& record = read.value().record;
  // What is noted and not yet in the file; the journal is left as it is.
  const std::string journal = journalOf(options.job);
  if (stampOf(journal)) {
    const auto left = readJournal(journal, read->job.id);
    if (!left) return refuse(left.problems());
    if (const auto problem = fold(journal, left->events, record.events)) return refuse({*problem});
  }
  const floor::Ledger ledger(record.cuttings, record.events);
  std::vector<CuttingRow> cuttings;
  for (const auto& [number, at] : ledger.now().cuttings)
    cuttings.push_back(rowOf(ledger, number, at, read->job.unit));
  for (floor::SheetBalance& one : floor::balances(ledger))
    for (CuttingRow& cutting : cuttings)
      if (cutting.number == one.cutting) cutting.sheets.push_back({std::move(one)});
  std::vector<IgnoredRow> ignored;
  for (const floor::Ignored& one : ledger.now().ignored) ignored.push_back({one.seq, one.why});
  if (options.json) {
    std::cout << asJson(std::move(cuttings), std::move(ignored));
    return kComplete;
  }
  if (cuttings.empty()) std::cout << "nothing was taken to the saw\n";
  for (const CuttingRow& cutting : cuttings) say(cutting, styleOf(read->job));
  for (const IgnoredRow& one : ignored)
    std::cout << fmt::format("event {} cannot have happened: {}\n", one.seq, one.why);
  return kComplete;
}

}  // namespace pp::cli

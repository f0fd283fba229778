#include "core/formats/lists_csv.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/formats/csv_rows.h"
#include "core/job/new_job.h"
#include "core/length/format.h"

namespace pp {

Result<std::vector<Slide>> readSlides(const std::string& file, std::string_view text, Unit unit) {
  const auto table = readCsv(file, text, {"name", "length"});
  if (!table) return table.problems();
  Rows rows(table.value(), unit);
  std::vector<Slide> out;
  std::set<std::string> names;
  for (const CsvRecord& record : table->records) {
    if (rows.full()) break;
    rows.at(record);
    Slide slide;
    slide.name = rows.needed("name");
    rows.unique("name", names);
    slide.length = rows.length("length", false);
    slide.thickness = rows.optionalLength("thickness", true).value_or(slide.thickness);
    slide.kind = rows.choice<SlideKind>(
        "kind", {{"side", SlideKind::Side}, {"under", SlideKind::Under}}, SlideKind::Side);
    slide.below = rows.optionalLength("below", true);
    slide.above = rows.optionalLength("above", true);
    slide.price = rows.money("price");
    out.push_back(std::move(slide));
  }
  if (Problems problems = rows.take(); !problems.empty()) return problems;
  return out;
}

std::string writeSlides(const std::vector<Slide>& slides) {
  std::string out = "# unit: mm\nname,length,thickness,kind,below,above,price\n";
  const auto optional = [](const std::optional<Length>& l) { return l ? formatMm(*l) : ""; };
  for (const Slide& slide : slides)
    out += fmt::format("{},{},{},{},{},{},{}\n", csvText(slide.name), formatMm(slide.length),
                       formatMm(slide.thickness), slide.kind == SlideKind::Side ? "side" : "under",
                       optional(slide.below), optional(slide.above), slide.price.asDouble());
  return out;
}

namespace {

Result<CsvTable> boardTable(const std::string& file, std::string_view text) {
  return readCsv(file, text, {"code", "qty", "length", "width", "thickness", "material"});
}

Result<std::vector<LooseBoard>> boardsOf(const CsvTable& table, const Job& job) {
  Rows rows(table, job.unit);
  std::vector<LooseBoard> out;
  std::set<std::string> codes;
  for (const CsvRecord& record : table.records) {
    if (rows.full()) break;
    rows.at(record);
    LooseBoard board;
    const std::string code = rows.needed("code");
    rows.unique("code", codes);
    board.name = rows.text("name").empty() ? code : rows.text("name");
    constexpr std::int64_t kMost = 10'000;
    board.quantity = rows.count("qty", 1, kMost);
    board.length = rows.length("length", false);
    board.width = rows.length("width", false);
    const Length thickness = rows.length("thickness", false);
    const std::string material = rows.needed("material");
    const auto known = std::find_if(
        job.materials.begin(), job.materials.end(),
        [&](const Material& m) { return m.name == material && m.nominal == thickness; });
    if (known != job.materials.end())
      board.material = known->id;
    else
      rows.refuse("material", "'" + shown(material) + "' " + formatMm(thickness),
                  "a material of the rack in that thickness");
    board.grain = rows.choice<BoardGrain>(
        "grain",
        {{"length", BoardGrain::Length}, {"width", BoardGrain::Width}, {"any", BoardGrain::Any}},
        BoardGrain::Any);
    const auto band = [&](const char* column) {
      const std::string& name = rows.text(column);
      if (name.empty()) return std::string();
      const auto banding = std::find_if(job.bandings.begin(), job.bandings.end(),
                                        [&name](const Banding& one) { return one.name == name; });
      if (banding != job.bandings.end()) return banding->id;
      rows.refuse(column, "'" + shown(name) + "'", "a banding of the rack");
      return std::string();
    };
    board.bandLong = band("band_l1");
    board.bandShort = band("band_w1");
    if (const std::string far = band("band_l2"); far != board.bandLong) board.farLong = far;
    if (const std::string far = band("band_w2"); far != board.bandShort) board.farShort = far;
    out.push_back(std::move(board));
  }
  if (Problems problems = rows.take(); !problems.empty()) return problems;
  return out;
}

// What the list names and the rack has not, as most shops buy it.
void addNamed(const CsvTable& table, Job& job) {
  for (const CsvRecord& record : table.records) {
    const std::string& name = table.field(record, "material");
    const auto thickness = parseLength(table.field(record, "thickness"), job.unit);
    if (name.empty() || !thickness || *thickness <= Length{}) continue;  // refused when it is read
    const bool known =
        std::any_of(job.materials.begin(), job.materials.end(),
                    [&](const Material& m) { return m.name == name && m.nominal == *thickness; });
    if (!known) {
      Material material = job.materials.front();
      material.id = fmt::format("{}-{}", name, formatMm(*thickness));
      material.name = name;
      material.nominal = material.measured = *thickness;
      addWithSheet(job, material, {});
    }
    for (const char* column : {"band_l1", "band_l2", "band_w1", "band_w2"}) {
      const std::string& banding = table.field(record, column);
      const bool there = std::any_of(job.bandings.begin(), job.bandings.end(),
                                     [&](const Banding& one) { return one.name == banding; });
      if (banding.empty() || there) continue;
      Banding made = job.bandings.front();
      made.id = made.name = banding;
      job.bandings.push_back(made);
    }
  }
}

}  // namespace

Result<std::vector<LooseBoard>> readLooseBoards(const std::string& file, std::string_view text,
                                                const Job& job) {
  const auto table = boardTable(file, text);
  if (!table) return table.problems();
  return boardsOf(table.value(), job);
}

Result<Job> readPartsJob(const std::string& file, std::string_view text, Unit unit) {
  const auto table = boardTable(file, text);
  if (!table) return table.problems();
  Job job = newJob(table->unit.value_or(unit));
  addNamed(table.value(), job);
  auto boards = boardsOf(table.value(), job);
  if (!boards) return boards.problems();
  job.loose.append(boards->begin(), boards->end());
  return job;
}

}  // namespace pp

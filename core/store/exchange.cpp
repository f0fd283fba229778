// The whole store as one JSON text, and back.
#include "core/fields/json_archive.h"
#include "core/result/text.h"
#include "core/shop/row_checks.h"
#include "core/store/inside.h"
#include "core/store/schema.h"

namespace pp {
namespace {

struct Setting {
  std::string name, value;
};
void fields(Archive& a, Setting& v) {
  a.must("name", v.name);
  a.must("value", v.value);
}

struct KnownJob {
  std::string id, name;
  std::int64_t seq = 0;
  std::string wants;
};
void fields(Archive& a, KnownJob& v) {
  a.must("id", v.id);
  a("name", v.name);
  a("seq", v.seq);
  a.unlessDefault("wants", v.wants);
}

struct JobHeld {
  std::string job;
  Held held;
};
void fields(Archive& a, JobHeld& v) {
  a.must("job", v.job);
  a.must("cutting", v.held.cutting);
  a.must("piece", v.held.piece);
  a("reserved", v.held.reserved);
  a("used", v.held.used);
}

struct CameBack {
  std::string job, leftover;
  int cutting = 0;
  Id piece = 0;
};
void fields(Archive& a, CameBack& v) {
  a.must("job", v.job);
  a.must("cutting", v.cutting);
  a.must("leftover", v.leftover);
  a.must("piece", v.piece);
}

// The whole store as one text has it.
struct Whole {
  std::vector<RackMaterial> materials;
  std::vector<RackPiece> pieces;
  std::vector<LotReading> readings;
  std::vector<RackBanding> bandings;
  std::vector<Hardware> hardware;
  std::vector<ShopFinish> finishes;
  std::vector<KnownJob> jobs;
  std::vector<JobHeld> holdings;
  std::vector<CameBack> returned;
  std::vector<Setting> settings;
};
void fields(Archive& a, Whole& v) {
  a("materials", v.materials);
  a("pieces", v.pieces);
  a("readings", v.readings);
  a("bandings", v.bandings);
  a("hardware", v.hardware);
  a("finishes", v.finishes);
  a("jobs", v.jobs);
  a("holdings", v.holdings);
  a("returned", v.returned);
  a("settings", v.settings);
}

constexpr const char* kStoreFormat = "plain-patch-store";

}  // namespace

Result<std::string> Store::exported() {
  Problems problems;
  auto whole = inside_->read([&] {
    Whole out;
    out.materials = inside_->rows<RackMaterial>("", problems);
    out.pieces = inside_->rows<RackPiece>("", problems);
    out.readings = inside_->rows<LotReading>("", problems);
    out.bandings = inside_->rows<RackBanding>("", problems);
    out.hardware = inside_->rows<Hardware>("", problems);
    out.finishes = inside_->rows<ShopFinish>("", problems);
    SQLite::Statement jobs(inside_->db, "SELECT id, name, seq, wants FROM job ORDER BY id");
    while (jobs.executeStep())
      out.jobs.push_back({jobs.getColumn(0).getString(), jobs.getColumn(1).getString(),
                          jobs.getColumn(2).getInt64(), jobs.getColumn(3).getString()});
    SQLite::Statement held(
        inside_->db,
        "SELECT job, cutting, piece, reserved, used FROM holding ORDER BY job, cutting, piece");
    while (held.executeStep())
      out.holdings.push_back({held.getColumn(0).getString(),
                              {held.getColumn(2).getInt64(), held.getColumn(1).getInt(),
                               held.getColumn(3).getInt64(), held.getColumn(4).getInt64()}});
    SQLite::Statement back(
        inside_->db,
        "SELECT job, leftover, cutting, piece FROM returned ORDER BY job, cutting, leftover");
    while (back.executeStep())
      out.returned.push_back({back.getColumn(0).getString(), back.getColumn(1).getString(),
                              back.getColumn(2).getInt(), back.getColumn(3).getInt64()});
    SQLite::Statement settings(inside_->db, "SELECT name, value FROM setting ORDER BY name");
    while (settings.executeStep())
      out.settings.push_back(
          {settings.getColumn(0).getString(), settings.getColumn(1).getString()});
    return out;
  });
  if (!whole) return whole.problems();
  if (!problems.empty()) return inside_->named(std::move(problems));
  JsonWriter writer;
  std::string format = kStoreFormat;
  int version = storeVersion();
  writer("format", format);
  writer("version", version);
  fields(writer, whole.value());
  return writer.indented();
}

Problems Store::import(const std::string& file, std::string_view text) {
  Whole whole;
  Problems problems = readObject(file, text, [&whole](JsonReader& reader) {
    // What came with later versions is left out of earlier texts.
    if (reader.is(kStoreFormat, 1, storeVersion())) fields(reader, whole);
  });
  const auto checked = [&problems](const char* name, const auto& rows) {
    for (std::size_t i = 0; i < rows.size(); ++i)
      for (Problem& one : problemsIn(rows[i])) {
        one.field = fmt::format("/{}/{}/{}", name, i, one.field);
        problems.push_back(std::move(one));
      }
  };
  checked("materials", whole.materials);
  checked("pieces", whole.pieces);
  checked("readings", whole.readings);
  checked("bandings", whole.bandings);
  checked("hardware", whole.hardware);
  checked("finishes", whole.finishes);
  for (std::size_t i = 0; i < whole.jobs.size(); ++i)
    if (const auto hidden = hiddenCharacter(whole.jobs[i].name, Lines::One))
      problems.push_back(
          {{}, 0, fmt::format("/jobs/{}/name", i), *hidden, "a text that can be read"});
  for (Problem& problem : problems) problem.file = file;
  if (!problems.empty()) return problems;
  return inside_->write([&]() -> Problems {
    for (const char* table : {"returned", "holding", "job", "piece", "reading", "material",
                              "banding", "hardware", "finish", "setting"})
      inside_->db.exec(fmt::format("DELETE FROM {}", table));
    const auto insert = [this](const auto& rows) {
      for (const auto& row : rows) inside_->insert(row);
    };
    insert(whole.materials);
    insert(whole.pieces);
    insert(whole.readings);
    insert(whole.bandings);
    insert(whole.hardware);
    insert(whole.finishes);
    for (const KnownJob& one : whole.jobs) {
      inside_->mention(one.id, one.name, one.seq);
      SQLite::Statement wants(inside_->db, "UPDATE job SET wants = ? WHERE id = ?");
      wants.bind(1, one.wants);
      wants.bind(2, one.id);
      wants.exec();
    }
    for (const JobHeld& one : whole.holdings) inside_->hold(one.job, one.held);
    for (const CameBack& one : whole.returned) {
      inside_->returned(one.job, one.cutting, one.leftover, one.piece);
    }
    for (const Setting& one : whole.settings) {
      SQLite::Statement setting(inside_->db, "INSERT INTO setting (name, value) VALUES (?, ?)");
      setting.bind(1, one.name);
      setting.bind(2, one.value);
      setting.exec();
    }
    return {};
  });
}

}  // namespace pp

// What is in the rack, who has it, and how it is promised, cut into and given back.
#include <algorithm>
#include <sstream>

#include "core/shop/row_checks.h"
#include "core/store/inside.h"

namespace pp {
namespace {

// What the words of a search are looked for in.
constexpr const char* kText =
    "lower(m.name || char(10) || p.lot || char(10) || p.place || char(10) || p.note || char(10) || "
    "'R' || p.tag)";

Problem notThere(Id piece) {
  return {{}, 0, fmt::format("piece {}", piece), "nothing", "a row of the store"};
}

}  // namespace

Result<std::vector<RackRow>> Store::rack(const RackSearch& search) {
  Problems problems;
  auto out = inside_->read([&] {
    std::string where = "WHERE 1";
    std::vector<std::string> words;
    std::istringstream text(search.words);
    for (std::string word; text >> word;) {
      words.push_back(word);
      where += fmt::format(" AND instr({}, lower(?)) > 0", kText);
    }
    if (search.material) where += fmt::format(" AND p.material = {}", *search.material);
    const std::int64_t length = search.length.inNm();
    const std::int64_t width = search.width.inNm();
    if (length > 0 || width > 0)
      // `length` is along the grain where there is any.
      where += fmt::format(
          " AND ((p.grain <> 'width' AND p.length >= {0} AND p.width >= {1})"
          " OR (p.grain <> 'length' AND p.width >= {0} AND p.length >= {1}))",
          length, width);
    if (search.freeOnly) where += fmt::format(" AND {} > 0", kPiecesFree);
    if (!search.usedUpToo) where += fmt::format(" AND {} > 0", kPiecesLeft);
    SQLite::Statement select(
        inside_->db,
        fmt::format("SELECT p.id, {}, {}, {} FROM piece p JOIN material m ON m.id = p.material {} "
                    "ORDER BY p.id",
                    list(columnsOf<RackPiece>(), "p.\""), kPiecesLeft, kPiecesFree, where));
    int at = 0;
    for (const std::string& word : words) select.bind(++at, word);
    std::vector<RackRow> rows;
    const int columns = static_cast<int>(columnsOf<RackPiece>().size());
    while (select.executeStep()) {
      SqlReader reader(select, problems);
      RackRow row;
      row.piece.id = reader.first();
      fields(reader, row.piece);
      row.left = select.getColumn(columns + 1).getInt64();
      row.free = select.getColumn(columns + 2).getInt64();
      if (!search.kind || row.piece.kind == *search.kind) rows.push_back(std::move(row));
    }
    return rows;
  });
  if (!problems.empty()) return inside_->named(std::move(problems));
  return out;
}

Result<Id> Store::materialLike(const RackMaterial& material) {
  Id id = 0;
  Problems problems = inside_->write([&]() -> Problems {
    if (Problems wrong = problemsIn(material); !wrong.empty()) return wrong;
    id = inside_->materialLike(material);
    return {};
  });
  if (!problems.empty()) return problems;
  return id;
}

Result<std::vector<RackHolder>> Store::holders(Id piece) {
  return inside_->read([&] { return inside_->holders(piece); });
}

Result<std::vector<Held>> Store::heldBy(const std::string& job) {
  return inside_->read([&] {
    SQLite::Statement select(inside_->db,
                             "SELECT piece, cutting, reserved, used FROM holding WHERE job = ? "
                             "ORDER BY cutting, piece");
    select.bind(1, job);
    std::vector<Held> out;
    while (select.executeStep())
      out.push_back({select.getColumn(0).getInt64(), select.getColumn(1).getInt(),
                     select.getColumn(2).getInt64(), select.getColumn(3).getInt64()});
    return out;
  });
}

Result<std::map<std::pair<int, std::string>, std::int64_t>> Store::tags(const std::string& job) {
  return inside_->read([&] { return inside_->tags(job); });
}

Result<std::int64_t> Store::nextTag() {
  return inside_->read(
      [&] { return inside_->number("SELECT coalesce(max(tag), 0) + 1 FROM piece"); });
}

Problems Store::take(const std::string& job, const std::string& name, int cutting,
                     const std::map<Id, std::int64_t>& pieces) {
  return inside_->write([&]() -> Problems {
    inside_->mention(job, name, 0);
    inside_->release(job, cutting);
    Problems out;
    for (const auto& [piece, wanted] : pieces) {
      SQLite::Statement select(inside_->db,
                               fmt::format("SELECT {} FROM piece p WHERE p.id = ?", kPiecesFree));
      select.bind(1, piece);
      if (!select.executeStep()) {
        out.push_back(notThere(piece));
        continue;
      }
      const std::int64_t free = select.getColumn(0).getInt64();
      if (free >= wanted) {
        inside_->hold(job, {piece, cutting, wanted, 0});
        continue;
      }
      std::string who;
      for (const RackHolder& one : inside_->holders(piece))
        if (one.held.reserved > 0)
          who += fmt::format("{}{} for {}", who.empty() ? "; " : ", ", one.held.reserved,
                             one.name.empty() ? "another job" : one.name);
      out.push_back({{},
                     0,
                     inside_->named(piece),
                     fmt::format("{} free{}", std::max<std::int64_t>(0, free), who),
                     fmt::format("{} for this cutting", wanted)});
    }
    return out;
  });
}

Result<std::map<std::pair<int, std::string>, std::int64_t>> Store::follow(
    const JobHolding& holding) {
  std::map<std::pair<int, std::string>, std::int64_t> tags;
  Problems problems = inside_->write([&]() -> Problems {
    SQLite::Statement known(inside_->db, "SELECT seq FROM job WHERE id = ?");
    known.bind(1, holding.job);
    const bool behind = known.executeStep() && known.getColumn(0).getInt64() > holding.seq;
    if (!behind) {
      inside_->mention(holding.job, holding.name, holding.seq);
      inside_->release(holding.job, std::nullopt);
      for (const Held& one : holding.held)
        if (one.reserved > 0 || one.used > 0) inside_->hold(holding.job, one);
    }
    tags = inside_->tags(holding.job);
    if (behind) return {};
    for (const Returned& one : holding.returned) {
      if (tags.count({one.cutting, one.leftover}) > 0) continue;
      RackPiece piece = one.piece;
      piece.id = 0;
      piece.tag = inside_->number("SELECT coalesce(max(tag), 0) + 1 FROM piece");
      if (piece.material == 0)
        piece.material = inside_->materialLike({0, one.material, one.nominal, one.nominal});
      if (Problems wrong = problemsIn(piece); !wrong.empty()) return wrong;
      const Id id = inside_->insert(piece);
      inside_->returned(holding.job, one.cutting, one.leftover, id);
      tags[{one.cutting, one.leftover}] = piece.tag;
    }
    return {};
  });
  if (!problems.empty()) return problems;
  return tags;
}

}  // namespace pp

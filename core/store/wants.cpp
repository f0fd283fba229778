// What jobs need of the shop as the store keeps it, and what was bought for them.
#include "core/fields/json_archive.h"
#include "core/formats/part_fields.h"
#include "core/shop/needs.h"
#include "core/shop/row_checks.h"
#include "core/store/inside.h"

namespace pp {

constexpr Choice<Ware> kWares[] = {{"sheet", Ware::Sheet},     {"bar", Ware::Bar},
                                   {"banding", Ware::Banding}, {"hardware", Ware::Hardware},
                                   {"finish", Ware::Finish},   {"bought", Ware::Bought}};

void fields(Archive& a, Need& v) {
  a.choice("ware", v.ware, kWares);
  a.choice("kind", v.kind, kHardwareKinds);
  a.must("name", v.name);
  a("nominal", v.nominal);
  a("length", v.length);
  a("width", v.width);
  a.must("amount", v.amount);
  a("reserved", v.reserved);
  a("pack", v.pack);
  a("price", v.price);
}

void fields(Archive& a, WantedPart& v) {
  a.must("material", v.material);
  a.must("nominal", v.nominal);
  a.must("length", v.length);
  a.must("width", v.width);
  a.choice("grain", v.grain, kPartGrains);
  a.must("count", v.count);
}

void fields(Archive& a, JobWants& v) {
  a("needs", v.needs);
  a("parts", v.parts);
}

namespace {

// Hardware and rolls are known by their names.
template <class Row>
const Row* named(const std::vector<Row>& rows, const std::string& name) {
  for (const Row& row : rows)
    if (row.name == name) return &row;
  return nullptr;
}

}  // namespace

std::optional<Problem> Store::want(const JobWants& wants) {
  JsonWriter writer;
  fields(writer, const_cast<JobWants&>(wants));
  const std::string text = wants.needs.empty() && wants.parts.empty() ? "" : writer.text();
  const Problems problems = inside_->write([&]() -> Problems {
    inside_->mention(wants.job, wants.name, 0);
    SQLite::Statement statement(inside_->db, "UPDATE job SET wants = ? WHERE id = ?");
    statement.bind(1, text);
    statement.bind(2, wants.job);
    statement.exec();
    return {};
  });
  return problems.empty() ? std::nullopt : std::optional(problems.front());
}

Result<std::vector<JobWants>> Store::wants() {
  Problems problems;
  auto out = inside_->read([&] {
    std::vector<JobWants> all;
    SQLite::Statement select(inside_->db,
                             "SELECT id, name, wants FROM job WHERE wants <> '' ORDER BY name, id");
    while (select.executeStep()) {
      JobWants& one = all.emplace_back();
      one.job = select.getColumn(0).getString();
      one.name = select.getColumn(1).getString();
      const Problems wrong = readObject(
          inside_->path, select.getColumn(2).getString(),
          [&one](JsonReader& reader) { fields(reader, one); }, "/" + one.job);
      problems.insert(problems.end(), wrong.begin(), wrong.end());
    }
    return all;
  });
  if (out && !problems.empty()) return inside_->named(std::move(problems));
  return out;
}

Result<std::vector<Id>> Store::book(const Booking& booking) {
  std::vector<Id> pieces;
  Problems failed = inside_->write([&]() -> Problems {
    Problems problems;
    const auto isGood = [&problems](const auto& row) {
      const Problems wrong = problemsIn(row);
      problems.insert(problems.end(), wrong.begin(), wrong.end());
      return wrong.empty();
    };
    for (const Booking::Piece& one : booking.pieces) {
      RackPiece piece = one.piece;
      piece.material = inside_->materialLike(one.like);
      if (isGood(piece)) pieces.push_back(inside_->insert(piece));
    }
    const auto rolls = inside_->rows<RackBanding>("", problems);
    for (const RackBanding& came : booking.rolls) {
      const RackBanding* known = named(rolls, came.name);
      RackBanding row = known == nullptr ? came : *known;
      if (known != nullptr) row.left += came.left;
      if (isGood(row)) known == nullptr ? inside_->insert(row) : inside_->update(row);
    }
    const auto hardware = inside_->rows<Hardware>("", problems);
    for (const Hardware& came : booking.hardware) {
      const Hardware* known = named(hardware, came.name);
      Hardware row = known == nullptr ? came : *known;
      if (known != nullptr) row.have += came.have;
      if (came.price != Money{}) row.price = came.price;
      if (isGood(row)) known == nullptr ? inside_->insert(row) : inside_->update(row);
    }
    auto finishes = inside_->rows<ShopFinish>("", problems);
    for (const Booking::Can& can : booking.cans)
      for (ShopFinish& finish : finishes)
        for (FinishProduct& product : finish.products)
          if (finish.name == can.finish && product.name == can.product) {
            product.haveMillilitres += can.millilitres;
            if (can.price != Money{}) product.price = can.price;
            if (isGood(finish)) inside_->update(finish);
          }
    return problems;
  });
  if (!failed.empty()) return failed;
  return pieces;
}

}  // namespace pp

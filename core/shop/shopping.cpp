#include "core/shop/shopping.h"

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <algorithm>
#include <cctype>
#include <tuple>

#include "core/formats/csv.h"
#include "core/formats/list_lengths.h"

namespace pp {
namespace {

std::string lower(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  return text;
}
bool holds(const std::string& text, const std::string& word) {
  return lower(text).find(lower(word)) != std::string::npos;
}

auto orderOf(const ShoppingRow& row) {
  const Need& what = row.what;
  return std::tie(what.ware, what.kind, what.name, what.nominal, what.length, what.width, row.order,
                  row.product);
}

// The row of the shop's hardware that is meant: so called, or of that kind and length with the name
// in its own. A pocket screw is no screw for other joints.
const Hardware* hardwareFor(const std::vector<Hardware>& all, const Need& need) {
  for (const Hardware& one : all)
    if (one.name == need.name && (one.length == need.length || need.length == Length{}))
      return &one;
  for (const Hardware& one : all)
    if (one.kind == need.kind && one.length == need.length && holds(one.name, need.name) &&
        holds(one.name, "pocket") == holds(need.name, "pocket"))
      return &one;
  return nullptr;
}

bool isSmall(const Need& need) {
  if (need.ware == Ware::Banding || need.ware == Ware::Finish) return true;
  return need.ware == Ware::Hardware &&
         (need.kind == HardwareKind::Screw || need.kind == HardwareKind::Pin ||
          need.kind == HardwareKind::Glue || need.kind == HardwareKind::Other);
}

std::int64_t up(std::int64_t amount, std::int64_t by) {
  return (amount + by - 1) / by;
}

class Lister {
 public:
  Lister(const ShopGoods& goods, std::int64_t spare) : goods_(goods), spare_(spare) {}

  ShoppingList run(const std::vector<JobWants>& jobs) {
    for (const JobWants& job : jobs)
      for (const Need& need : job.needs) {
        if (need.ware == Ware::Finish)
          finish(need, job.name);
        else
          add({need, {}}, job.name);
      }
    ShoppingList out;
    std::sort(rows_.begin(), rows_.end(),
              [](const ShoppingRow& a, const ShoppingRow& b) { return orderOf(a) < orderOf(b); });
    for (ShoppingRow& row : rows_) {
      setAgainst(row);
      out.sum += row.sum;
      if (isUnknownFinish(row) || (row.packs > 0 && row.price == Money{})) ++out.unpriced;
    }
    out.rows = std::move(rows_);
    return out;
  }

 private:
  void add(ShoppingRow row, const std::string& job) {
    for (ShoppingRow& known : rows_) {
      if (orderOf(known) != orderOf(row)) continue;
      known.what.amount += row.what.amount;
      known.what.reserved += row.what.reserved;
      if (known.what.price == Money{}) {
        known.what.price = row.what.price;
        known.what.pack = row.what.pack;
      }
      if (std::find(known.jobs.begin(), known.jobs.end(), job) == known.jobs.end())
        known.jobs.push_back(job);
      return;
    }
    row.jobs = {job};
    rows_.push_back(std::move(row));
  }

  // A row a product; one for the finish itself where the shop knows no such.
  void finish(const Need& need, const std::string& job) {
    const auto known =
        std::find_if(goods_.finishes.begin(), goods_.finishes.end(),
                     [&need](const ShopFinish& one) { return isFinish(one, need.name); });
    if (known == goods_.finishes.end()) return add({need, {}}, job);
    for (std::size_t k = 0; k < known->products.size(); ++k) {
      const FinishProduct& product = known->products[k];
      Need of = need;
      of.name = known->name;
      of.amount = millilitresFor(product, need.amount);
      add({of, product.name, k}, job);
    }
  }

  void setAgainst(ShoppingRow& row) const {
    const Need& what = row.what;
    row.pack = what.pack;
    row.price = what.price;
    if (isSmall(what)) row.spare = up(what.amount * spare_, 100);
    switch (what.ware) {
      case Ware::Sheet:
      case Ware::Bar:
        return rack(row);
      case Ware::Banding:
        for (const RackBanding& roll : goods_.bandings)
          if (roll.name == what.name)
            take(row, roll.left.inNm() / Length::mm(1).inNm(),
                 roll.rollLength.inNm() / Length::mm(1).inNm(), roll.price);
        break;
      case Ware::Hardware:
      case Ware::Bought:
        if (const Hardware* known = hardwareFor(goods_.hardware, what)) {
          row.hardware = known->name;
          take(row, known->have, known->pack, known->price);
        }
        break;
      case Ware::Finish:
        for (const ShopFinish& finish : goods_.finishes)
          for (const FinishProduct& product : finish.products)
            if (finish.name == what.name && product.name == row.product)
              take(row, product.haveMillilitres, product.canMillilitres, product.price);
        break;
    }
    buy(row);
  }

  static void take(ShoppingRow& row, std::int64_t have, std::int64_t pack, Money price) {
    row.have = have;
    row.pack = std::max<std::int64_t>(1, pack);
    if (price != Money{}) row.price = price;
  }

  static void buy(ShoppingRow& row) {
    // Of an area nobody can buy anything.
    if (isUnknownFinish(row)) return;
    const std::int64_t there = row.have + row.what.reserved;
    const std::int64_t wanted = row.what.amount + row.spare;
    row.packs = wanted > there ? up(wanted - there, row.pack) : 0;
    row.sum = row.packs * row.price;
    row.left = there + row.buy() - row.what.amount;
  }

  // Full sheets and bars that are as large, of that material.
  void rack(ShoppingRow& row) const {
    const Need& what = row.what;
    for (const RackRow& one : goods_.rack) {
      const RackPiece& piece = one.piece;
      if (piece.kind != (what.ware == Ware::Bar ? RackKind::Bar : RackKind::Sheet) ||
          piece.length != what.length || piece.width != what.width)
        continue;
      const auto material =
          std::find_if(goods_.materials.begin(), goods_.materials.end(),
                       [&](const RackMaterial& m) { return m.id == piece.material; });
      if (material == goods_.materials.end() || material->name != what.name ||
          material->nominal != what.nominal)
        continue;
      row.have += std::max<std::int64_t>(0, one.free);
      if (row.price == Money{}) row.price = piece.price;
    }
    buy(row);
  }

  const ShopGoods& goods_;
  std::int64_t spare_;
  std::vector<ShoppingRow> rows_;
};

const char* wareWord(const Need& what) {
  switch (what.ware) {
    case Ware::Sheet:
      return "sheet";
    case Ware::Bar:
      return "bar";
    case Ware::Banding:
      return "banding";
    case Ware::Hardware:
      return "hardware";
    case Ware::Finish:
      return "finish";
    case Ware::Bought:
      return "bought in";
  }
  return "";
}

}  // namespace

bool isUnknownFinish(const ShoppingRow& row) {
  return row.what.ware == Ware::Finish && row.product.empty();
}

bool isFinish(const ShopFinish& one, const std::string& word) {
  return holds(one.name, word);
}

// A coverage of 10 m2/l is 1 ml a square decimetre.
std::int64_t millilitresFor(const FinishProduct& product, std::int64_t cm2) {
  const Int128 coats = static_cast<Int128>(cm2) * product.coats * (100 - product.thinning);
  const Int128 of = static_cast<Int128>(product.coverage) * 10 * (100 - product.loss);
  return static_cast<std::int64_t>((coats + of - 1) / of);
}

ShoppingList shoppingList(const std::vector<JobWants>& jobs, const ShopGoods& goods,
                          std::int64_t spare) {
  return Lister(goods, spare).run(jobs);
}

std::string wareName(const ShoppingRow& row, const LengthStyle& style) {
  const Need& what = row.what;
  if (what.ware == Ware::Sheet || what.ware == Ware::Bar)
    return fmt::format("{} {}, {} × {}", what.name, format(what.nominal, style),
                       format(what.length, style), formatWithUnit(what.width, style));
  if (!row.product.empty()) return fmt::format("{}: {}", what.name, row.product);
  if (isUnknownFinish(row))
    return fmt::format("{} finish for {}", what.name, amountWords(row, what.amount));
  // A slide's name says its length already.
  if (what.length != Length{} && what.kind != HardwareKind::Slide)
    return fmt::format("{} {}", what.name, formatWithUnit(what.length, style));
  return what.name;
}

std::string amountWords(const ShoppingRow& row, std::int64_t amount) {
  if (row.what.ware == Ware::Banding)
    return fmt::format("{:.1f} m", static_cast<double>(amount) / 1e3);
  if (isUnknownFinish(row)) return fmt::format("{:.1f} m²", static_cast<double>(amount) / 1e4);
  if (row.what.ware == Ware::Finish || row.what.kind == HardwareKind::Glue)
    return amount < 1'000 ? fmt::format("{} ml", amount)
                          : fmt::format("{:.1f} l", static_cast<double>(amount) / 1e3);
  return std::to_string(amount);
}

std::string writeShopping(const ShoppingList& list, Unit unit) {
  const ListLengths length(unit);
  LengthStyle style;
  style.unit = unit;
  std::string out = length.unitLine() +
                    "ware,name,length,width,need,spare,have,reserved,buy,pack,packs,price,sum,left,"
                    "jobs\n";
  for (const ShoppingRow& row : list.rows) {
    const auto size = [&length](Length one) { return one == Length{} ? "" : length(one); };
    // How much of it an area takes nobody knows: once what its name says.
    if (isUnknownFinish(row)) {
      out += fmt::format("{},{},,,1,0,0,0,1,1,1,0,0,0,{}\n", wareWord(row.what),
                         csvText(wareName(row, style)),
                         csvText(fmt::format("{}", fmt::join(row.jobs, "; "))));
      continue;
    }
    out += fmt::format("{},{},{},{},{},{},{},{},{},{},{},{},{},{},{}\n", wareWord(row.what),
                       csvText(wareName(row, style)), size(row.what.length), size(row.what.width),
                       row.what.amount, row.spare, row.have, row.what.reserved, row.buy(), row.pack,
                       row.packs, format(row.price), format(row.sum), row.left,
                       csvText(fmt::format("{}", fmt::join(row.jobs, "; "))));
  }
  return out;
}

Booking bookingOf(const std::vector<BoughtRow>& bought, const std::string& day) {
  Booking out;
  for (const BoughtRow& one : bought) {
    const Need& what = one.row.what;
    const std::int64_t came = one.packs * one.row.pack;
    if (came <= 0) continue;
    switch (what.ware) {
      case Ware::Sheet:
      case Ware::Bar: {
        RackPiece piece;
        piece.kind = what.ware == Ware::Bar ? RackKind::Bar : RackKind::Sheet;
        piece.lot = one.lot;
        piece.length = what.length;
        piece.width = what.width;
        piece.count = came;
        piece.price = one.price;
        piece.came = day;
        RackMaterial like = one.like;
        like.name = what.name;
        like.nominal = what.nominal;
        if (like.measured <= Length{}) like.measured = what.nominal;
        like.lumber = like.lumber || what.ware == Ware::Bar;
        out.pieces.push_back({std::move(piece), std::move(like)});
        break;
      }
      case Ware::Banding: {
        RackBanding roll;
        roll.name = what.name;
        roll.thickness = Length::mm(1);
        roll.width = Length::mm(22);
        roll.rollLength = one.row.pack * Length::mm(1);
        roll.left = came * Length::mm(1);
        roll.price = one.price;
        out.rolls.push_back(std::move(roll));
        break;
      }
      case Ware::Hardware:
      case Ware::Bought: {
        Hardware row;
        row.kind = what.ware == Ware::Bought ? HardwareKind::Other : what.kind;
        row.name = one.row.hardware.empty() ? wareName(one.row, {}) : one.row.hardware;
        row.length = what.length;
        row.have = came;
        row.pack = one.row.pack;
        row.price = one.price;
        out.hardware.push_back(std::move(row));
        break;
      }
      case Ware::Finish:
        out.cans.push_back({what.name, one.row.product, came, one.price});
        break;
    }
  }
  return out;
}

Booking takenBack(Booking booking) {
  booking.pieces.clear();
  for (RackBanding& roll : booking.rolls) roll.left = -roll.left;
  for (Hardware& row : booking.hardware) row.have = -row.have;
  for (Booking::Can& can : booking.cans) can.millilitres = -can.millilitres;
  return booking;
}

}  // namespace pp

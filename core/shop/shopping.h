// What is to be bought: what jobs need, less what the shop has free and has promised them, in whole
// packs.
#pragma once

#include "core/shop/needs.h"
#include "core/shop/rack.h"

namespace pp {

// What the shop has to set against it.
struct ShopGoods {
  std::vector<RackMaterial> materials;
  std::vector<RackRow> rack;
  std::vector<RackBanding> bandings;
  std::vector<Hardware> hardware;
  std::vector<ShopFinish> finishes;
};

// Whether it is what a job calls by that word: "clear varnish" is "clear".
bool isFinish(const ShopFinish& one, const std::string& word);
// Of a product for so many square centimetres: every coat, and what is lost beside them; the
// thinner is not bought with it.
std::int64_t millilitresFor(const FinishProduct& product, std::int64_t cm2);

// Amounts are pieces, millimetres of banding, millilitres of glue and finish.
struct ShoppingRow {
  Need what;                  // amount and reserved: of all jobs together; a finish: of one product
  std::string product = {};   // Finish: of it
  std::size_t order = 0;      // Finish: when it goes on among the products
  std::string hardware = {};  // what the shop calls it; empty: it knows none
  std::int64_t spare = 0;
  std::int64_t have = 0;  // free in the shop
  std::int64_t pack = 1;  // so much is sold together
  std::int64_t packs = 0;
  Money price = {}, sum = {};          // of a pack, 0: not known; of all
  std::int64_t left = 0;               // after the work: of what was there and what is bought
  std::vector<std::string> jobs = {};  // that need it, by name
  std::int64_t buy() const { return packs * pack; }
};

struct ShoppingList {
  std::vector<ShoppingRow> rows;  // by ware, then name and size; what nobody needs is not there
  Money sum;
  std::size_t unpriced = 0;  // rows to buy whose price nobody knows, and finishes nobody knows
};

// Whether it is a finish of which the shop knows no product: an area, and nobody knows how much
// that takes.
bool isUnknownFinish(const ShoppingRow& row);

// `spare`: so many per cent more of screws, pins and the like, and of banding, finish and glue.
ShoppingList shoppingList(const std::vector<JobWants>& jobs, const ShopGoods& goods,
                          std::int64_t spare);

// "pocket screw 32 mm", "birch 18, 2440 × 1220", "clear: hard oil".
std::string wareName(const ShoppingRow& row, const LengthStyle& style);
// "120", "3.4 m", "750 ml", "2.5 l": an amount of it.
std::string amountWords(const ShoppingRow& row, std::int64_t amount);

// As CSV: ware, name, size, need, spare, have, reserved, buy, pack, packs, price, sum, left, jobs.
std::string writeShopping(const ShoppingList& list, Unit unit);

// What of it was bought.
struct BoughtRow {
  ShoppingRow row;
  std::int64_t packs = 1;
  Money price;        // of a pack, as it was paid
  std::string lot;    // of sheets and bars
  RackMaterial like;  // of what a material the store does not know is made
};
// As the store books it in. A product of a finish the shop does not know is left out: it has no
// row.
Booking bookingOf(const std::vector<BoughtRow>& bought, const std::string& day);
// What takes it out again, but for its pieces, which are removed by their ids.
Booking takenBack(Booking booking);

}  // namespace pp

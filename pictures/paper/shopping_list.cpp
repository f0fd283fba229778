#include "core/shop/shopping.h"
#include "pictures/paper/sheaf.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kAmountRight = Qt::AlignRight | Qt::AlignVCenter;
constexpr double kWareRow = 8;

QString groupName(Ware ware) {
  switch (ware) {
    case Ware::Sheet:
      return QStringLiteral("Sheets");
    case Ware::Bar:
      return QStringLiteral("Bars");
    case Ware::Banding:
      return QStringLiteral("Edge banding");
    case Ware::Hardware:
      return QStringLiteral("Hardware and fasteners");
    case Ware::Finish:
      return QStringLiteral("Finish");
    case Ware::Bought:
      return QStringLiteral("Bought in");
  }
  return {};
}

// What is to be had at the counter: large, a box to tick, how many, what, and what it comes to.
void row(Page& page, const ShoppingRow& one, const LengthStyle& style) {
  page.need(kWareRow);
  page.box(page.left() + 0.5, page.y() + 1.6, 4.6);
  // What is measured out is sold as one.
  const QString count = isUnknownFinish(one) ? QStringLiteral("1")
                        : one.pack > 1       ? QString::number(one.packs)
                                             : qs(amountWords(one, one.packs));
  page.text(page.left() + 8, page.y(), 16, kWareRow, count, 13, true, kAmountRight);
  const double sum = 28;
  const double pack = 42;
  page.text(page.left() + 28, page.y(), page.right() - page.left() - 28 - sum - pack, kWareRow,
            qs(wareName(one, style)), 12);
  if (one.pack > 1)
    page.text(page.right() - sum - pack, page.y(), pack - 4, kWareRow,
              QStringLiteral("of %1").arg(qs(amountWords(one, one.pack))), 10);
  if (one.price != Money{})
    page.text(page.right() - sum, page.y(), sum, kWareRow, qs(format(one.sum)), 11, false,
              kAmountRight);
  page.down(kWareRow);
}

void draw(Page& page, const ShoppingList& list, const LengthStyle& style) {
  page.begin();
  std::optional<Ware> group;
  bool any = false;
  for (const ShoppingRow& one : list.rows) {
    if (one.packs == 0 && !isUnknownFinish(one)) continue;
    any = true;
    if (group != one.what.ware) {
      group = one.what.ware;
      page.need(3 * kWareRow);
      page.down(3);
      page.text(page.left(), page.y(), 120, kWareRow, groupName(*group), 12, true);
      page.down(kWareRow);
      page.rule(page.y());
      page.down(0.8);
    }
    row(page, one, style);
  }
  if (!any) {
    page.down(4);
    page.text(page.left(), page.y(), 150, kWareRow, QStringLiteral("Everything is there."), 12);
    page.down(kWareRow);
  }
  page.need(2 * kWareRow);
  page.down(3);
  page.rule(page.y());
  page.down(1);
  page.text(page.left(), page.y(), 100, kWareRow,
            list.unpriced == 0
                ? QStringLiteral("In all")
                : QStringLiteral("In all, but for %1 without a price").arg(list.unpriced),
            12, true);
  page.text(page.right() - 40, page.y(), 40, kWareRow, qs(format(list.sum)), 12, true,
            kAmountRight);
  page.down(kWareRow);
}

}  // namespace

Result<Sheaf> shoppingPages(const PrintInput& input) {
  if (input.shopping == nullptr)
    return Problem{{}, 0, "shopping list", "none", "what the job needs"};
  return Sheaf{QStringLiteral("%1: to buy").arg(qs(input.job.name)),
               [&list = *input.shopping, style = styleOf(input.job)](
                   Page& page, const PrintWatch&) { draw(page, list, style); }};
}

}  // namespace pp

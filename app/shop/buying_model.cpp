#include "app/shop/buying_model.h"

#include <map>

#include "core/length/parse.h"
#include "words/figures.h"

namespace pp {

void BuyingModel::setList(ShoppingList list, const LengthStyle& style) {
  std::map<std::string, Said> known;
  for (std::size_t i = 0; i < list_.rows.size(); ++i)
    known[wareName(list_.rows[i], style_)] = said_[i];
  beginResetModel();
  list_ = std::move(list);
  style_ = style;
  said_.clear();
  for (const ShoppingRow& row : list_.rows) {
    const auto before = known.find(wareName(row, style_));
    Said& said = said_.emplace_back(before == known.end() ? Said{} : before->second);
    if (before == known.end() || row.packs == 0) said.ticked = row.packs > 0;
  }
  endResetModel();
  emit changed();
}

std::vector<BoughtRow> BuyingModel::bought() const {
  std::vector<BoughtRow> out;
  for (std::size_t i = 0; i < said_.size(); ++i) {
    if (!said_[i].ticked) continue;
    const ShoppingRow& row = list_.rows[i];
    BoughtRow one;
    one.row = row;
    one.packs = said_[i].packs.value_or(row.packs);
    one.price = said_[i].price.value_or(row.price);
    one.lot = said_[i].lot;
    if (one.packs > 0) out.push_back(std::move(one));
  }
  return out;
}

int BuyingModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(list_.rows.size());
}
int BuyingModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : kJobs + 1;
}

QString BuyingModel::words(const ShoppingRow& row, const Said& said, int column) const {
  const std::int64_t packs = said.packs.value_or(row.packs);
  const Money price = said.price.value_or(row.price);
  const auto some = [&row](std::int64_t amount) {
    return amount == 0 ? QString() : qs(amountWords(row, amount));
  };
  switch (column) {
    case kWhat:
      return qs(wareName(row, style_));
    case kNeed:
      return some(row.what.amount);
    case kSpare:
      return some(row.spare);
    case kThere:
      return some(row.have);
    case kPromised:
      return some(row.what.reserved);
    case kPacks:
      return row.what.ware == Ware::Finish && row.product.empty()
                 ? tr("unknown")
                 : qs(row.pack == 1 ? amountWords(row, packs) : std::to_string(packs));
    case kPack:
      return row.pack == 1 ? QString() : qs(amountWords(row, row.pack));
    case kPrice:
      return price == Money{} ? QString() : qs(format(price));
    case kSum:
      return price == Money{} || packs == 0 ? QString() : qs(format(packs * price));
    case kLeft:
      return some(row.left);
    case kLot:
      return qs(said.lot);
    default: {
      QStringList jobs;
      for (const std::string& job : row.jobs) jobs << qs(job);
      return jobs.join(QStringLiteral(", "));
    }
  }
}

QVariant BuyingModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid() || index.row() >= rowCount()) return {};
  const auto at = static_cast<std::size_t>(index.row());
  if (role == Qt::EditRole && index.column() == kPacks)
    return QString::number(said_[at].packs.value_or(list_.rows[at].packs));
  if (role == Qt::ToolTipRole && index.column() == kPacks &&
      list_.rows[at].what.ware == Ware::Finish && list_.rows[at].product.empty())
    return tr(
        "The shop knows no finish of that name. The shop, Finishes, says what it is made of.");
  if (role == Qt::DisplayRole || role == Qt::EditRole)
    return words(list_.rows[at], said_[at], index.column());
  if (role == Qt::CheckStateRole && index.column() == kWhat)
    return said_[at].ticked ? Qt::Checked : Qt::Unchecked;
  if (role == Qt::TextAlignmentRole) {
    const bool number = index.column() >= kNeed && index.column() <= kLeft;
    return QVariant(Qt::AlignVCenter | (number ? Qt::AlignRight : Qt::AlignLeft));
  }
  if (role == Qt::ToolTipRole) return words(list_.rows[at], said_[at], index.column());
  return {};
}

bool BuyingModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (!index.isValid() || index.row() >= rowCount()) return false;
  Said& said = said_[static_cast<std::size_t>(index.row())];
  Problems problems;
  if (role == Qt::CheckStateRole && index.column() == kWhat) {
    said.ticked = value.toInt() == Qt::Checked;
  } else if (role == Qt::EditRole && index.column() == kPacks) {
    constexpr std::int64_t kMost = 1'000'000;
    const auto packs = parseCount(value.toString().trimmed().toStdString(), 0, kMost);
    if (packs)
      said.packs = *packs;
    else
      problems = packs.problems();
    said.ticked = said.ticked || (packs && *packs > 0);
  } else if (role == Qt::EditRole && index.column() == kPrice) {
    const auto price = parseMoney(value.toString().trimmed().toStdString());
    if (price)
      said.price = *price;
    else
      problems = price.problems();
  } else if (role == Qt::EditRole && index.column() == kLot) {
    said.lot = value.toString().trimmed().toStdString();
  } else {
    return false;
  }
  emit refused(problems);
  emit dataChanged(this->index(index.row(), 0), this->index(index.row(), kJobs));
  emit changed();
  return problems.empty();
}

QVariant BuyingModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal) return {};
  if (role == Qt::DisplayRole)
    return QStringList{tr("What"),     tr("Need"),      tr("Spare"),   tr("There"),
                       tr("Promised"), tr("Buy"),       tr("Sold by"), tr("Price"),
                       tr("Sum"),      tr("Left then"), tr("Lot"),     tr("For")}
        .value(section);
  if (role == Qt::TextAlignmentRole)
    return QVariant(Qt::AlignVCenter |
                    (section >= kNeed && section <= kLeft ? Qt::AlignRight : Qt::AlignLeft));
  return {};
}

bool BuyingModel::isEmpty(int column) const {
  for (std::size_t i = 0; i < said_.size(); ++i)
    if (!words(list_.rows[i], said_[i], column).isEmpty()) return false;
  return true;
}

Qt::ItemFlags BuyingModel::flags(const QModelIndex& index) const {
  Qt::ItemFlags out = QAbstractTableModel::flags(index);
  if (index.column() == kWhat) out |= Qt::ItemIsUserCheckable;
  if (index.column() == kPacks || index.column() == kPrice || index.column() == kLot)
    out |= Qt::ItemIsEditable;
  return out;
}

}  // namespace pp

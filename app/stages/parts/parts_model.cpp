#include "app/stages/parts/parts_model.h"

#include <QSize>
#include <algorithm>
#include <map>
#include <optional>

#include "app/grid/sort_rows.h"
#include "app/grid/table.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

QString bandsOf(const Part& part) {
  const QStringList bare = sidesOf(part, false);
  if (bare.empty()) return PartsModel::tr("all round");
  if (bare.size() == 1) return PartsModel::tr("all but %1").arg(bare.front());
  return sidesOf(part, true).join(QStringLiteral(", "));
}

// What a column of figures is sorted by; nothing for one of words.
std::optional<double> valueOf(const Part& part, int column) {
  switch (column) {
    case PartsModel::Quantity:
      return static_cast<double>(part.quantity);
    case PartsModel::PartLength:
      return part.length.total().inMm();
    case PartsModel::PartWidth:
      return part.width.total().inMm();
    case PartsModel::Thickness:
      return part.thickness.inMm();
    default:
      return std::nullopt;
  }
}

bool isLength(int column) {
  return column >= PartsModel::PartLength && column <= PartsModel::Thickness;
}

}  // namespace

void PartsModel::setParts(std::shared_ptr<const Job> job,
                          std::shared_ptr<const Breakdown> breakdown) {
  job_ = std::move(job);
  breakdown_ = std::move(breakdown);
  refill();
}

void PartsModel::setOrder(Order order) {
  order_ = order;
  refill();
}

void PartsModel::setSearch(const QString& words) {
  search_ = words.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  refill();
}

QString PartsModel::headingOf(const Part& part) const {
  const LengthStyle style = styleOf(*job_);
  switch (order_) {
    case Order::ByAssembly:
      return qs(assemblyTitle(*job_, part.assembly));
    case Order::ByMaterial:
      return materialName(*findMaterial(*job_, part.material), style);
    case Order::BySize:
      return figures(part.length.total(), part.width.total(), style);
  }
  return {};
}

bool PartsModel::sameHeading(const Part& a, const Part& b) const {
  switch (order_) {
    case Order::ByAssembly:
      return a.assembly == b.assembly;
    case Order::ByMaterial:
      return a.material == b.material;
    case Order::BySize:
      return a.length.total() == b.length.total() && a.width.total() == b.width.total();
  }
  return true;
}

void PartsModel::refill() {
  if (!breakdown_) return;
  beginResetModel();
  rows_.clear();
  std::vector<const Part*> shown;
  for (const Part& part : breakdown_->parts) {
    if (search_.isEmpty()) {
      shown.push_back(&part);
      continue;
    }
    QString all;
    for (int column = 0; column < Columns; ++column) all += cell(part, column) + QLatin1Char(' ');
    const bool wanted = std::all_of(search_.begin(), search_.end(), [&all](const QString& word) {
      return all.contains(word, Qt::CaseInsensitive);
    });
    if (wanted) shown.push_back(&part);
  }
  sortRows(shown);
  if (order_ == Order::ByMaterial)
    std::stable_sort(shown.begin(), shown.end(),
                     [](const Part* a, const Part* b) { return a->material < b->material; });
  if (order_ == Order::ByAssembly && sorted_ >= 0) {
    std::map<std::string, std::size_t> first;
    for (const Part& part : breakdown_->parts) first.emplace(part.assembly, first.size());
    std::stable_sort(shown.begin(), shown.end(), [&](const Part* a, const Part* b) {
      return first[a->assembly] < first[b->assembly];
    });
  }
  if (order_ == Order::BySize)
    std::stable_sort(shown.begin(), shown.end(), [](const Part* a, const Part* b) {
      return std::pair(b->length.total(), b->width.total()) <
             std::pair(a->length.total(), a->width.total());
    });
  const Part* before = nullptr;
  for (const Part* part : shown) {
    if (before == nullptr || !sameHeading(*before, *part))
      rows_.push_back({headingOf(*part), nullptr});
    rows_.push_back({{}, part});
    before = part;
  }
  endResetModel();
}

void PartsModel::sortRows(std::vector<const Part*>& parts) const {
  if (sorted_ < 0) return;
  pp::sortRows(
      parts, direction_, [this](const Part* part) { return valueOf(*part, sorted_); },
      [this](const Part* part) { return cell(*part, sorted_); });
}

void PartsModel::sort(int column, Qt::SortOrder order) {
  sorted_ = column < Columns ? column : -1;
  direction_ = order;
  refill();
}

int PartsModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}
int PartsModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : Columns;
}

const Part* PartsModel::partAt(int row) const {
  if (row < 0 || row >= rowCount()) return nullptr;
  const Row& at = rows_[static_cast<std::size_t>(row)];
  return at.part;
}

bool PartsModel::isHeading(int row) const {
  return row >= 0 && row < rowCount() && partAt(row) == nullptr;
}

int PartsModel::rowOf(const std::string& code) const {
  for (int row = 0; row < rowCount(); ++row)
    if (const Part* part = partAt(row); part != nullptr && part->code == code) return row;
  return -1;
}

QString PartsModel::cell(const Part& part, int column) const {
  const LengthStyle style = styleOf(*job_);
  switch (column) {
    case Code:
      return qs(part.code);
    case Name:
      return qs(part.name) + (part.overridden.empty() ? QString() : tr("  (by hand)"));
    case Quantity:
      return QString::number(part.quantity);
    case PartLength:
      return figure(part.length.total(), style);
    case PartWidth:
      return figure(part.width.total(), style);
    case Thickness:
      return figure(part.thickness, style);
    case MaterialName:
      return materialName(*findMaterial(*job_, part.material), style);
    case Grain:
      return part.grain == PartGrain::Any      ? tr("either")
             : part.grain == PartGrain::Length ? tr("length")
                                               : tr("width");
    case Banding:
      return bandsOf(part);
    default:
      return {};
  }
}

QString PartsModel::tip(const Part& part, int column) const {
  const LengthStyle style = styleOf(*job_);
  switch (column) {
    case PartLength:
      return offTip(part.length.total(), style);
    case PartWidth:
      return offTip(part.width.total(), style);
    case Thickness:
      return offTip(part.thickness, style);
    default:
      return {};
  }
}

QVariant PartsModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  const Row& row = rows_[static_cast<std::size_t>(index.row())];
  if (!row.part) {
    if (role == Qt::FontRole) return look::text(look::kBody, true);
    if (role == Qt::SizeHintRole) return QSize(0, 0);
    if (role == Qt::BackgroundRole) return look::kPaper;
    if (role != Qt::DisplayRole || index.column() != 0) return {};
    return row.heading;
  }
  switch (role) {
    case Qt::DisplayRole:
      return cell(*row.part, index.column());
    case Qt::AccessibleTextRole:
      return withoutWedge(cell(*row.part, index.column()));
    case Qt::ToolTipRole:
      return tip(*row.part, index.column());
    case Qt::FontRole: {
      const bool figure = index.column() >= Quantity && index.column() <= Thickness;
      return look::text(figure ? look::kFigure : look::kBody, index.column() == Code);
    }
    case Qt::TextAlignmentRole: {
      const bool number = index.column() >= Quantity && index.column() <= Thickness;
      return QVariant::fromValue(Qt::AlignVCenter | (number ? Qt::AlignRight : Qt::AlignLeft));
    }
    default:
      return {};
  }
}

QVariant PartsModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal) return {};
  if (role == Qt::TextAlignmentRole)
    return QVariant::fromValue(
        Qt::AlignVCenter |
        (section >= Quantity && section <= Thickness ? Qt::AlignRight : Qt::AlignLeft));
  if (role == kLengthRole) return isLength(section);
  if (role != Qt::DisplayRole) return {};
  const QString names[] = {tr("Code"),  tr("Part"),     tr("Qty"),   tr("Length"), tr("Width"),
                           tr("Thick"), tr("Material"), tr("Grain"), tr("Banded")};
  return section >= 0 && section < Columns ? names[section] : QString();
}

}  // namespace pp

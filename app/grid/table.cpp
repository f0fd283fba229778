#include "app/grid/table.h"

#include <QClipboard>
#include <QComboBox>
#include <QGuiApplication>
#include <QHeaderView>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QPainter>
#include <QPointer>
#include <QToolTip>
#include <algorithm>
#include <optional>
#include <utility>

#include "app/fields/field.h"
#include "app/session/remembered.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr int kPad = 8;  // on either side of a cell
constexpr int kTableRow = 30;

QFont fontOf(const QModelIndex& index) {
  const QVariant font = index.data(Qt::FontRole);
  return font.isValid() ? font.value<QFont>() : look::text(14);
}

// Where a figure is set: how wide its whole number is and how much room is kept behind it.
struct Figure {
  double whole = 0;
  double tail = 0;
};

bool showsLengths(const QAbstractItemModel& model, int column) {
  return model.headerData(column, Qt::Horizontal, kLengthRole).toBool();
}

// Nothing for a cell that shows no length.
std::optional<Figure> figureIn(const QModelIndex& index, const QWidget* table, const QFont& font,
                               const QString& text) {
  if (text.isEmpty() || !showsLengths(*index.model(), index.column())) return std::nullopt;
  const qsizetype whole = wholeOf(text);
  if (whole == 0 && !text[0].isDigit()) return std::nullopt;  // "usual"
  return Figure{textWidth(font, text.left(whole)),
                static_cast<const Table*>(table)->tail(index.column())};
}

}  // namespace

void FigureDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option,
                           const QModelIndex& index) const {
  const QString text = index.data(Qt::DisplayRole).toString();
  const QFont font = fontOf(index);
  const auto figure = figureIn(index, option.widget, font, text);
  if (!figure) return QStyledItemDelegate::paint(painter, option, index);
  QStyleOptionViewItem bare = option;
  initStyleOption(&bare, index);
  bare.text.clear();
  option.widget->style()->drawControl(QStyle::CE_ItemViewItem, &bare, painter, option.widget);
  painter->save();
  painter->setFont(font);
  const bool chosen = (option.state & QStyle::State_Selected) != 0;
  painter->setPen(option.palette.color(chosen ? QPalette::HighlightedText : QPalette::Text));
  const QRectF cell = QRectF(option.rect).adjusted(kPad, 0, -kPad, 0);
  double left = cell.right() - figure->tail - figure->whole;
  // A fraction alone stands where it would behind a whole number.
  if (figure->whole == 0) left += spaceBefore(font);
  drawText(*painter, QRectF(left, cell.y(), cell.width(), cell.height()),
           Qt::AlignLeft | Qt::AlignVCenter, text);
  painter->restore();
}

QSize FigureDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
  // A heading that runs over all columns makes none of them wide.
  if (const QVariant given = index.data(Qt::SizeHintRole); given.isValid()) return given.toSize();
  const QString text = index.data(Qt::DisplayRole).toString();
  const QFont font = fontOf(index);
  const auto figure = figureIn(index, option.widget, font, text);
  const double width = figure ? figure->whole + figure->tail : textWidth(font, text);
  return {static_cast<int>(width) + 2 * kPad + 1,
          QStyledItemDelegate::sizeHint(option, index).height()};
}

// Return is taken once the editor has had it. Qt does so by a bare pointer, and what is typed may
// be undone, and its editor gone, before that.
bool FigureDelegate::eventFilter(QObject* editor, QEvent* event) {
  const auto* key = event->type() == QEvent::KeyPress ? static_cast<QKeyEvent*>(event) : nullptr;
  if (key == nullptr || (key->key() != Qt::Key_Return && key->key() != Qt::Key_Enter))
    return QStyledItemDelegate::eventFilter(editor, event);
  QMetaObject::invokeMethod(
      this,
      [this, typed = QPointer<QWidget>(qobject_cast<QWidget*>(editor))] {
        if (!typed) return;
        emit commitData(typed);
        if (typed) emit closeEditor(typed);
      },
      Qt::QueuedConnection);
  return false;
}

QWidget* ChoiceDelegate::createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                                      const QModelIndex& index) const {
  const auto title = [&index](int role) {
    return index.model()->headerData(index.column(), Qt::Horizontal, role);
  };
  const QStringList choices = title(kChoicesRole).toStringList();
  QWidget* editor = nullptr;
  if (choices.isEmpty()) {
    editor = FigureDelegate::createEditor(parent, option, index);
  } else {
    auto* box = new QComboBox(parent);
    box->addItems(choices);
    editor = box;
  }
  editor->setAccessibleName(title(Qt::DisplayRole).toString());
  return editor;
}

void ChoiceDelegate::setEditorData(QWidget* editor, const QModelIndex& index) const {
  if (auto* box = qobject_cast<QComboBox*>(editor))
    box->setCurrentText(index.data(Qt::EditRole).toString());
  else
    FigureDelegate::setEditorData(editor, index);
}

void ChoiceDelegate::setModelData(QWidget* editor, QAbstractItemModel* model,
                                  const QModelIndex& index) const {
  if (auto* box = qobject_cast<QComboBox*>(editor))
    model->setData(index, box->currentText(), Qt::EditRole);
  else
    FigureDelegate::setModelData(editor, model, index);
}

Table::Table(const QString& name, int wide) : wide_(wide) {
  setAccessibleName(name);
  setItemDelegate(new FigureDelegate(this));
  setSelectionMode(QAbstractItemView::SingleSelection);
  setTabKeyNavigation(false);
  setShowGrid(false);
  setWordWrap(false);
  verticalHeader()->hide();
  verticalHeader()->setDefaultSectionSize(kTableRow);
  QHeaderView* header = horizontalHeader();
  header->setHighlightSections(false);
  // By the first screens of rows, not by five thousand.
  constexpr int kMeasured = 60;
  header->setResizeContentsPrecision(kMeasured);
  header->setSectionResizeMode(QHeaderView::Interactive);
  header->setSectionsClickable(true);
  connect(header, &QHeaderView::sectionClicked, this, &Table::sortBy);
  connect(header, &QHeaderView::sectionResized, this, [this](int column, int, int width) {
    if (!fitting_) keepDrawn(column, width);
  });
  connect(header, &QHeaderView::sectionHandleDoubleClicked, this, [this](int column) {
    keepDrawn(column, 0);
    fit();
  });
}

void Table::setModel(QAbstractItemModel* model) {
  QTableView::setModel(model);
  drawn_.clear();
  for (int column = 0; column < model->columnCount(); ++column)
    drawn_ << drawnWidth(accessibleName(), title(column));
  connect(model, &QAbstractItemModel::modelReset, this, [this] { fitting_later_.ask(); });
  connect(model, &QAbstractItemModel::dataChanged, this, [this] { fitting_later_.ask(); });
}

QString Table::title(int column) const {
  return model()->headerData(column, Qt::Horizontal, Qt::DisplayRole).toString();
}

void Table::keepDrawn(int column, int width) {
  if (column < drawn_.size()) drawn_[column] = width;
  keepDrawnWidth(accessibleName(), title(column), width);
}

int Table::neededWidth(int column) const {
  if (drawn_.value(column) > 0) return drawn_[column];
  constexpr int kArrow = 16;
  const double head = textWidth(look::text(look::kBody, true), title(column)) + 2 * kPad + 1 +
                      (column == sorted_ ? kArrow : 0);
  return std::max(sizeHintForColumn(column), static_cast<int>(head));
}

double Table::widestTail(int column) const {
  if (!showsLengths(*model(), column)) return 0;
  constexpr int kMost = 500;  // rows that are looked at
  double out = 0;
  QString last;
  for (int row = 0; row < std::min(model()->rowCount(), kMost); ++row) {
    const QModelIndex index = model()->index(row, column);
    const QString text = index.data(Qt::DisplayRole).toString();
    const QString tail = text.mid(wholeOf(text));
    if (tail.isEmpty() || tail == last || text.isEmpty() || !text[0].isDigit()) continue;
    last = tail;
    const bool alone = tail.size() == text.size();
    out = std::max(out, widthBehind(fontOf(index), alone ? QLatin1Char(' ') + tail : tail));
  }
  return out;
}

void Table::sortBy(int column) {
  QHeaderView* header = horizontalHeader();
  const bool again = column == sorted_;
  const bool back = again && direction_ == Qt::DescendingOrder;
  direction_ = again && !back ? Qt::DescendingOrder : Qt::AscendingOrder;
  sorted_ = back ? -1 : column;
  header->setSortIndicatorShown(!back);
  header->setSortIndicator(sorted_, direction_);
  model()->sort(sorted_, direction_);
  emit sorted();
}

void Table::fit() {
  if (!isVisible() || model() == nullptr) return;
  fitting_ = true;
  int left = viewport()->width();
  const int columns = model()->columnCount();
  tails_.resize(columns);
  for (int column = 0; column < columns; ++column) tails_[column] = widestTail(column);
  for (int column = 0; column < columns; ++column) {
    if (column == wide_) continue;
    setColumnWidth(column, neededWidth(column));
    left -= columnWidth(column);
  }
  if (wide_ < columns) setColumnWidth(wide_, std::max(neededWidth(wide_), left));
  fitting_ = false;
}

void Table::keyPressEvent(QKeyEvent* event) {
  if (!event->matches(QKeySequence::Copy)) return QTableView::keyPressEvent(event);
  // What can be typed again.
  QGuiApplication::clipboard()->setText(
      withoutWedge(currentIndex().data(Qt::DisplayRole).toString()));
}

void Table::showEvent(QShowEvent* event) {
  QTableView::showEvent(event);
  fit();
}

void Table::resizeEvent(QResizeEvent* event) {
  QTableView::resizeEvent(event);
  if (!fitting_) fitting_later_.ask();
}

// What a narrow column cuts off is said in full.
bool Table::viewportEvent(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    const QModelIndex index = indexAt(help->pos());
    const QString text = index.data(Qt::DisplayRole).toString();
    if (index.isValid() && index.data(Qt::ToolTipRole).toString().isEmpty() &&
        textWidth(fontOf(index), text) + 2 * kPad > visualRect(index).width()) {
      QToolTip::showText(help->globalPos(), plainTip(text), this);
      return true;
    }
  }
  return QTableView::viewportEvent(event);
}

}  // namespace pp

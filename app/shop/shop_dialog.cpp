#include "app/shop/shop_dialog.h"

#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/fields/question.h"
#include "app/shop/shop_rows.h"
#include "core/shop/house_rules.h"
#include "pictures/paint/rack_picture.h"
#include "pictures/paper/print.h"
#include "words/figures.h"

namespace pp {
namespace {

// Figures are sorted as figures.
class Sorted : public QSortFilterProxyModel {
 public:
  using QSortFilterProxyModel::QSortFilterProxyModel;

 protected:
  bool lessThan(const QModelIndex& left, const QModelIndex& right) const override {
    bool isNumber = false;
    bool isOther = false;
    const double a = left.data().toString().toDouble(&isNumber);
    const double b = right.data().toString().toDouble(&isOther);
    return isNumber && isOther ? a < b : QSortFilterProxyModel::lessThan(left, right);
  }
};

}  // namespace

ShopDialog::ShopDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setWindowTitle(tr("The shop"));
  setAccessibleName(tr("The shop"));
  auto* column = new QVBoxLayout(this);
  column->setSpacing(8);
  head_ = new QHBoxLayout;
  head_->setSpacing(4);
  column->addLayout(head_);
  tables_ = new QStackedWidget;
  column->addWidget(tables_, 1);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  enum Wide { kNote = 12, kFirst = 0, kProduct = 1 };
  addLeaf(tr("Rack"), pieceRows(session), kNote);
  addLeaf(tr("Materials"), materialRows(session), kFirst);
  addLeaf(tr("Readings"), readingRows(session), kFirst);
  addLeaf(tr("Banding"), bandingRows(session), kFirst);
  addLeaf(tr("Hardware"), hardwareRows(session), kFirst);
  addLeaf(tr("Finishes"), finishRows(), kProduct);
  head_->addStretch(1);
  find_ = new QLineEdit;
  find_->setAccessibleName(tr("Find"));
  find_->setPlaceholderText(tr("find: material, lot, place …"));
  find_->setClearButtonEnabled(true);
  find_->setFixedWidth(220);
  head_->addWidget(find_);
  connect(find_, &QLineEdit::textChanged, this, [this](const QString& text) {
    for (const Leaf& leaf : leaves_) leaf.shown->setFilterFixedString(text.trimmed());
  });
  const auto button = [](const QString& words, const QString& name) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(name);
    made->setAutoDefault(false);
    return made;
  };
  add_ = button(tr("Add"), tr("Add a row"));
  remove_ = button(tr("Remove"), tr("Remove the row"));
  head_->addWidget(add_);
  head_->addWidget(remove_);
  auto* labels = button(tr("Labels …"), tr("Labels of the pieces shown"));
  head_->addWidget(labels);
  connect(labels, &QPushButton::clicked, this, &ShopDialog::askForLabels);
  connect(this, &ShopDialog::leafShown, labels,
          [labels](int leaf) { labels->setVisible(leaf == 0); });
  auto* below = button(tr("Add product"), tr("Add a product to the finish"));
  head_->addWidget(below);
  connect(add_, &QPushButton::clicked, this, [this] { leaves_[shown_].model->add(); });
  connect(remove_, &QPushButton::clicked, this, &ShopDialog::removeChosen);
  connect(below, &QPushButton::clicked, this, [this] {
    const Leaf& leaf = leaves_[shown_];
    if (leaf.chosen() < 0 || !leaf.model->addBelow(leaf.chosen()))
      problem_->show({{{}, 0, {}, "no finish chosen", "the one that it belongs to"}});
  });
  connect(this, &ShopDialog::leafShown, below, [this, below](int leaf) {
    below->setVisible(leaf + 1 == static_cast<int>(leaves_.size()));
  });
  auto* foot = new QHBoxLayout;
  rules_ = new Label;
  rules_->setAccessibleName(tr("House rules"));
  rules_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  foot->addWidget(rules_, 1);
  auto* keep = button(tr("Keep this job's as house rules"), tr("Keep as house rules"));
  keep->setToolTip(
      tr("Saws, kerf, trim, leftovers, labels, rate and margin, and what can always be bought: "
         "new jobs in this unit begin with them"));
  connect(keep, &QPushButton::clicked, this, &ShopDialog::keepRules);
  foot->addWidget(keep);
  undo_ = button(tr("Undo"), tr("Undo in the shop"));
  redo_ = button(tr("Redo"), tr("Redo in the shop"));
  auto* close = button(tr("Close"), tr("Close"));
  for (QPushButton* one : {undo_, redo_, close}) foot->addWidget(one);
  column->addLayout(foot);
  StoreDesk& desk = session.store();
  connect(undo_, &QPushButton::clicked, &desk, &StoreDesk::undo);
  connect(redo_, &QPushButton::clicked, &desk, &StoreDesk::redo);
  connect(new QShortcut(QKeySequence::Undo, this), &QShortcut::activated, &desk, &StoreDesk::undo);
  connect(new QShortcut(QKeySequence(tr("Ctrl+Shift+Z")), this), &QShortcut::activated, &desk,
          &StoreDesk::redo);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  connect(&desk, &StoreDesk::refused, problem_, &ProblemLine::show);
  connect(&desk, &StoreDesk::changed, this, &ShopDialog::follow);
  connect(&session, &Session::changed, this, &ShopDialog::follow);
  resize(1120, 640);
  showLeaf(0);
  follow();
  desk.look();
}

void ShopDialog::addLeaf(const QString& choice, std::unique_ptr<StoreRows> rows, int wide) {
  auto* model = new StoreModel(session_.store(), std::move(rows), this);
  connect(model, &StoreModel::refused, problem_, &ProblemLine::show);
  auto* table = new Table(tr("The shop's %1").arg(choice.toLower()), wide);
  auto* shown = new Sorted(this);
  shown->setSourceModel(model);
  shown->setFilterKeyColumn(-1);
  shown->setFilterCaseSensitivity(Qt::CaseInsensitive);
  table->setModel(shown);
  table->setItemDelegate(new ChoiceDelegate(table));
  table->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                         QAbstractItemView::AnyKeyPressed);
  tables_->addWidget(table);
  auto* button = new QPushButton(choice);
  button->setCheckable(true);
  button->setAutoDefault(false);
  button->setAccessibleName(tr("Show the shop's %1").arg(choice.toLower()));
  head_->addWidget(button);
  connect(button, &QPushButton::clicked, this, [this, at = leaves_.size()] { showLeaf(at); });
  leaves_.push_back({button, table, model, shown});
}

void ShopDialog::showLeaf(std::size_t leaf) {
  shown_ = leaf;
  for (std::size_t i = 0; i < leaves_.size(); ++i) leaves_[i].choice->setChecked(i == leaf);
  tables_->setCurrentWidget(leaves_[leaf].table);
  add_->setVisible(leaves_[leaf].model->canAdd());
  problem_->clear();
  leaves_[leaf].table->setFocus();
  emit leafShown(static_cast<int>(leaf));
}

void ShopDialog::removeChosen() {
  const Leaf& leaf = leaves_[shown_];
  const int row = leaf.chosen();
  if (row < 0) return problem_->show({{{}, 0, {}, "no row chosen", "one to take out"}});
  leaf.model->remove(row);
}

void ShopDialog::askForLabels() {
  askWhereToWrite(this, tr("Labels of the rack"), tr("PDF (*.pdf)"), QStringLiteral("pdf"),
                  tr("labels of the rack"), [this](const QString& path) { writeLabels(path); });
}

bool ShopDialog::writeLabels(const QString& path) {
  const auto state = session_.store().state();
  const LengthStyle style = session_.style();
  std::vector<RackTag> tags;
  const QSortFilterProxyModel& shown = *leaves_.front().shown;
  for (int row = 0; state && row < shown.rowCount(); ++row) {
    const auto at = static_cast<std::size_t>(shown.mapToSource(shown.index(row, 0)).row());
    const RackPiece& piece = state->rack[at].piece;
    if (piece.tag <= 0) continue;
    QStringList words;
    if (!piece.lot.empty()) words << tr("lot %1").arg(qs(piece.lot));
    for (const std::string* one : {&piece.place, &piece.note})
      if (!one->empty()) words << qs(*one);
    tags.push_back(
        {QStringLiteral("R%1").arg(piece.tag),
         rackMaterialWords(state->materials, piece.material, style),
         tr("%1 × %2").arg(figure(piece.length, style), figureWithUnit(piece.width, style)),
         words.join(QStringLiteral(", "))});
  }
  PrintInput input{session_.job(), session_.breakdown().parts};
  input.tags = &tags;
  const auto problem = printPages(Pages::RackTags, input, Paper::A4, path);
  problem_->show(problem ? Problems{*problem} : Problems{});
  return !problem;
}

void ShopDialog::keepRules() {
  const Job& job = session_.job();
  const std::string name = houseRulesName(job.unit);
  const auto set = [name](const std::string& text) {
    return [name, text](Store& store) -> Problems {
      const auto problem = store.set(name, text);
      return problem ? Problems{*problem} : Problems{};
    };
  };
  session_.store().change(tr("house rules"), set(houseRulesOf(job)),
                          set(session_.store().rules(job.unit)));
}

void ShopDialog::follow() {
  const StoreDesk& desk = session_.store();
  if (!desk.trouble().isEmpty())
    problem_->show({{{}, 0, {}, desk.trouble().toStdString(), "a store that can be used"}});
  undo_->setEnabled(!desk.undoText().isEmpty());
  redo_->setEnabled(!desk.redoText().isEmpty());
  const std::string& rules = desk.rules(session_.job().unit);
  const std::vector<std::string> lines = ruleDifferences(session_.job(), rules);
  QStringList words;
  for (const std::string& line : lines) words << qs(line);
  rules_->setText(rules.empty() ? tr("No house rules yet: new jobs begin as the program has them.")
                  : lines.empty()
                      ? tr("This job goes by the house rules.")
                      : tr("Not as the house does: %1").arg(words.join(QStringLiteral("; "))));
  rules_->setToolTip(plainTip(words.join(QLatin1Char('\n'))));
}

}  // namespace pp

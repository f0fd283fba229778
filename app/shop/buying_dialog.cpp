#include "app/shop/buying_dialog.h"

#include <QDate>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QShortcut>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/question.h"
#include "app/session/file_names.h"
#include "core/formats/file.h"
#include "core/length/parse.h"
#include "core/shop/cost.h"
#include "pictures/paint/look.h"
#include "pictures/paper/print.h"
#include "words/figures.h"

namespace pp {
BuyingDialog::BuyingDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
  setWindowTitle(tr("What to buy"));
  setAccessibleName(tr("What to buy"));
  auto* column = new QVBoxLayout(this);
  column->setSpacing(8);
  column->addLayout(makeHead());
  auto* middle = new QHBoxLayout;
  model_ = new BuyingModel(this);
  table_ = new Table(tr("Shopping list"), 0);
  table_->setModel(model_);
  table_->setItemDelegate(new FigureDelegate(table_));
  table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                          QAbstractItemView::AnyKeyPressed);
  middle->addWidget(table_, 1);
  middle->addWidget(makeCost());
  column->addLayout(middle, 1);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  column->addLayout(makeFoot());
  StoreDesk& desk = session.store();
  connect(&desk, &StoreDesk::changed, &later_, &Later::ask);
  connect(&desk, &StoreDesk::refused, problem_, &ProblemLine::show);
  connect(&session, &Session::changed, &later_, &Later::ask);
  connect(&session.plans(), &PlanDesk::changed, &later_, &Later::ask);
  connect(model_, &BuyingModel::refused, problem_, &ProblemLine::show);
  connect(model_, &BuyingModel::changed, this, &BuyingDialog::saySum);
  connect(new QShortcut(QKeySequence::Undo, this), &QShortcut::activated, &desk, &StoreDesk::undo);
  resize(1220, 680);
  desk.lookIfThere();
  follow();
}

QLayout* BuyingDialog::makeHead() {
  auto* head = new QHBoxLayout;
  head->addWidget(new Label(tr("For")));
  scope_ = new QComboBox;
  scope_->setAccessibleName(tr("For which jobs"));
  scope_->addItems({tr("this job"), tr("all jobs that need something")});
  head->addWidget(scope_);
  forget_ = new QPushButton(tr("Forget a job …"));
  forget_->setAccessibleName(tr("Forget what a job needs"));
  forget_->setAutoDefault(false);
  head->addWidget(forget_);
  head->addSpacing(20);
  head->addWidget(new Label(tr("Spare of small things")));
  spare_ = new QSpinBox;
  spare_->setAccessibleName(tr("Spare of small things"));
  spare_->setRange(0, 1'000);
  spare_->setSuffix(tr(" %"));
  head->addWidget(spare_);
  head->addStretch(1);
  sum_ = new Label;
  sum_->setAccessibleName(tr("To be spent"));
  sum_->setFont(look::text(15, true));
  head->addWidget(sum_);
  connect(scope_, &QComboBox::currentIndexChanged, this, &BuyingDialog::follow);
  connect(forget_, &QPushButton::clicked, this, &BuyingDialog::forget);
  connect(spare_, &QSpinBox::valueChanged, this, [this](int percent) {
    setCosting(tr("spare"), [percent](Costing& costing) { costing.spare = percent; });
  });
  return head;
}

QWidget* BuyingDialog::makeCost() {
  auto* out = new QWidget;
  constexpr int kWide = 300;
  out->setFixedWidth(kWide);
  auto* column = new QVBoxLayout(out);
  column->setContentsMargins(10, 0, 0, 0);
  auto* heading = new Label(tr("What this job costs"));
  heading->setFont(look::text(15, true));
  column->addWidget(heading);
  auto* form = new QFormLayout;
  const auto number = [](const QString& name, int most, const QString& suffix) {
    auto* box = new QSpinBox;
    box->setAccessibleName(name);
    box->setRange(0, most);
    box->setSuffix(suffix);
    return box;
  };
  hours_ = number(tr("Hours of work"), 16'000, tr(" h"));
  minutes_ = number(tr("Minutes of work"), 59, tr(" min"));
  auto* time = new QHBoxLayout;
  time->addWidget(hours_);
  time->addWidget(minutes_);
  form->addRow(tr("Work"), time);
  rate_ = new QLineEdit;
  rate_->setAccessibleName(tr("Rate of an hour"));
  form->addRow(tr("An hour costs"), rate_);
  margin_ = number(tr("Margin"), 1'000, tr(" %"));
  form->addRow(tr("Margin"), margin_);
  column->addLayout(form);
  lines_ = new Label;
  lines_->setTextFormat(Qt::RichText);
  lines_->setAccessibleName(tr("Cost, line by line"));
  column->addWidget(lines_);
  price_ = new Label;
  price_->setAccessibleName(tr("Price"));
  price_->setFont(look::text(15, true));
  price_->setWordWrap(true);
  column->addWidget(price_);
  column->addStretch(1);
  const auto work = [this] {
    const std::int64_t minutes = std::int64_t{60} * hours_->value() + minutes_->value();
    setCosting(tr("work"), [minutes](Costing& costing) { costing.minutes = minutes; });
  };
  connect(hours_, &QSpinBox::valueChanged, this, work);
  connect(minutes_, &QSpinBox::valueChanged, this, work);
  connect(margin_, &QSpinBox::valueChanged, this, [this](int percent) {
    setCosting(tr("margin"), [percent](Costing& costing) { costing.margin = percent; });
  });
  connect(rate_, &QLineEdit::editingFinished, this, [this] {
    const auto rate = parseMoney(rate_->text().trimmed().toStdString());
    if (!rate) return problem_->show(rate.problems());
    setCosting(tr("rate"), [&rate](Costing& costing) { costing.rate = *rate; });
  });
  return out;
}

QLayout* BuyingDialog::makeFoot() {
  auto* foot = new QHBoxLayout;
  const auto button = [&](const QString& words, const QString& name, auto act) {
    auto* made = new QPushButton(words);
    made->setAccessibleName(name);
    made->setAutoDefault(false);
    connect(made, &QPushButton::clicked, this, act);
    foot->addWidget(made);
  };
  button(tr("Page …"), tr("Write the page"), [this] {
    ask(tr("Page for the counter"), tr("PDF (*.pdf)"), QStringLiteral("pdf"),
        &BuyingDialog::writePage);
  });
  button(tr("CSV …"), tr("Write the list"), [this] {
    ask(tr("Shopping list"), tr("CSV (*.csv)"), QStringLiteral("csv"), &BuyingDialog::writeCsv);
  });
  foot->addStretch(1);
  button(tr("Bought"), tr("Book what is ticked into the shop"), [this] { bookIn(); });
  button(tr("Close"), tr("Close"), [this] { accept(); });
  return foot;
}

void BuyingDialog::setCosting(const QString& what, const std::function<void(Costing&)>& set) {
  Job next = session_.draft();
  set(next.costing);
  problem_->show(session_.edit(what, std::move(next)));
}

void BuyingDialog::follow() {
  const auto state = session_.store().state();
  const ShopGoods nothing;
  const ShopGoods& goods = state ? static_cast<const ShopGoods&>(*state) : nothing;
  const bool all = scope_->currentIndex() == 1;
  std::vector<JobWants> jobs = {session_.wants()};
  if (all && state)
    for (const JobWants& one : state->jobs)
      if (one.job != jobs.front().job) jobs.push_back(one);
  forget_->setVisible(all && jobs.size() > 1);
  const Costing& costing = session_.job().costing;
  const auto put = [](QSpinBox* box, std::int64_t value) {
    const QSignalBlocker quiet(box);
    box->setValue(static_cast<int>(value));
  };
  put(spare_, costing.spare);
  put(hours_, costing.minutes / 60);
  put(minutes_, costing.minutes % 60);
  put(margin_, costing.margin);
  if (!rate_->hasFocus()) rate_->setText(qs(format(costing.rate)));
  model_->setList(shoppingList(jobs, goods, costing.spare), session_.style());
  for (const int column : {BuyingModel::kSpare, BuyingModel::kThere, BuyingModel::kPromised,
                           BuyingModel::kPack, BuyingModel::kLeft})
    table_->setColumnHidden(column, model_->isEmpty(column));
  table_->setColumnHidden(BuyingModel::kJobs, !all);
  table_->fit();
  sayCost(jobs.front(), goods);
  if (!session_.store().trouble().isEmpty())
    problem_->show({{{},
                     0,
                     {},
                     session_.store().trouble().toStdString(),
                     "a store; without it everything is bought"}});
}

void BuyingDialog::saySum() {
  Money sum;
  for (const BoughtRow& one : model_->bought()) sum += one.packs * one.price;
  QString words = tr("%1 to be spent").arg(qs(format(sum)));
  if (model_->list().unpriced > 0)
    words += tr(", and %1 without a price").arg(model_->list().unpriced);
  sum_->setText(words);
}

void BuyingDialog::sayCost(const JobWants& wants, const ShopGoods& goods) {
  const JobCost cost = costOf(session_.job(), wants, session_.openWork(), goods);
  QString rows =
      QStringLiteral("<tr><td></td><td align=right>%1</td><td align=right>&nbsp;&nbsp;%2</td></tr>")
          .arg(tr("used"), tr("to pay"));
  const auto row = [&rows](const QString& what, Money used, Money spent, bool bold) {
    const QString cell = bold ? QStringLiteral("<b>%1</b>") : QStringLiteral("%1");
    rows += QStringLiteral(
                "<tr><td>%1</td><td align=right>%2</td><td align=right>&nbsp;&nbsp;%3</td></tr>")
                .arg(cell.arg(what), cell.arg(qs(format(used))), cell.arg(qs(format(spent))));
  };
  for (const CostLine& line : cost.lines) row(tr(line.what.c_str()), line.used, line.spent, false);
  row(tr("in all"), cost.used, cost.spent, true);
  lines_->setText(QStringLiteral("<table width='100%'>%1</table>").arg(rows));
  price_->setText(tr("Price with the margin: %1").arg(qs(format(cost.price))) +
                  (session_.openWork().plan == nullptr
                       ? tr("\nNothing is laid out yet: sheets are not in it.")
                       : QString()));
}

void BuyingDialog::ask(const QString& title, const QString& filter, const QString& suffix,
                       bool (BuyingDialog::*write)(const QString&)) {
  askWhereToWrite(this, title, filter, suffix, fileStem(session_.title()) + tr(" shopping list"),
                  [this, write](const QString& path) { (this->*write)(path); });
}

bool BuyingDialog::writeCsv(const QString& path) {
  const auto problem =
      writeFile(path.toStdString(), writeShopping(model_->list(), session_.job().unit));
  problem_->show(problem ? Problems{*problem} : Problems{});
  return !problem;
}

bool BuyingDialog::writePage(const QString& path) {
  PrintInput input{session_.job(), session_.breakdown().parts};
  input.shopping = &model_->list();
  const Paper paper = session_.job().labels.letter ? Paper::Letter : Paper::A4;
  const auto problem = printPages(Pages::ShoppingList, input, paper, path);
  problem_->show(problem ? Problems{*problem} : Problems{});
  return !problem;
}

void BuyingDialog::bookIn() {
  std::vector<BoughtRow> bought = model_->bought();
  if (bought.empty()) return problem_->show({{{}, 0, {}, "nothing ticked", "what was bought"}});
  for (BoughtRow& one : bought)
    for (const Material& own : session_.job().materials)
      if (own.name == one.row.what.name && own.nominal == one.row.what.nominal)
        one.like = likeOf(own);
  const Booking booking =
      bookingOf(bought, QDate::currentDate().toString(Qt::ISODate).toStdString());
  auto pieces = std::make_shared<std::vector<Id>>();
  session_.store().change(
      tr("bought"),
      [booking, pieces](Store& store) -> Problems {
        auto ids = store.book(booking);
        if (!ids) return ids.problems();
        *pieces = std::move(ids).value();
        return {};
      },
      [back = takenBack(booking), pieces](Store& store) -> Problems {
        for (const Id id : *pieces)
          if (auto problem = store.remove<RackPiece>(id)) return {*problem};
        pieces->clear();
        const auto done = store.book(back);
        return done ? Problems{} : done.problems();
      });
}

// A job that was given up or is built long since is on no list any more until it is saved again.
void BuyingDialog::forget() {
  const auto state = session_.store().state();
  if (!state) return;
  auto* dialog = new QDialog(this);
  dialog->setAttribute(Qt::WA_DeleteOnClose);
  dialog->setWindowTitle(tr("Forget what a job needs"));
  auto* column = new QVBoxLayout(dialog);
  auto* list = new QListWidget;
  list->setAccessibleName(tr("Jobs that need something"));
  std::vector<JobWants> others;
  for (const JobWants& one : state->jobs)
    if (one.job != session_.job().id) others.push_back(one);
  for (const JobWants& one : others) list->addItem(qs(one.name));
  column->addWidget(list);
  auto* done = new QPushButton(tr("Forget it"));
  column->addWidget(done);
  connect(done, &QPushButton::clicked, dialog, [this, dialog, list, others] {
    const int row = list->currentRow();
    if (row < 0) return;
    const auto want = [](const JobWants& wants) {
      return [wants](Store& store) -> Problems {
        const auto problem = store.want(wants);
        return problem ? Problems{*problem} : Problems{};
      };
    };
    const JobWants& known = others[static_cast<std::size_t>(row)];
    session_.store().change(tr("forget a job"), want({known.job, known.name, {}, {}}), want(known));
    dialog->accept();
  });
  dialog->open();
}

}  // namespace pp

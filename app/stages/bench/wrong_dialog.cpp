#include "app/stages/bench/wrong_dialog.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/large.h"
#include "core/length/parse.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

using bench::Fault;
using bench::Remedy;

constexpr int kRemedyButton = 48;  // high: for gloves

}  // namespace

WrongDialog::WrongDialog(Session& session, PieceId piece, const QString& name, QWidget* parent)
    : QDialog(parent), session_(session), piece_(std::move(piece)) {
  setWindowTitle(tr("Went wrong"));
  setAccessibleName(tr("Went wrong"));
  setAttribute(Qt::WA_DeleteOnClose);
  column_ = new QVBoxLayout(this);
  column_->setSpacing(8);
  auto* head = new Label(name);
  head->setAccessibleName(tr("The piece"));
  head->setFont(look::text(17, true));
  column_->addWidget(head);
  column_->addLayout(makeFaults());
  size_ = new QWidget;
  size_->setLayout(makeSize());
  column_->addWidget(size_);
  problem_ = new ProblemLine;
  column_->addWidget(problem_);
  auto* hint = new Label(tr("Nothing changes until one is taken; Esc closes."));
  column_->addWidget(hint);
  constexpr int kWide = 760;
  setMinimumWidth(kWide);
  look();
}

QLayout* WrongDialog::makeFaults() {
  auto* row = new QHBoxLayout;
  faults_ = new QButtonGroup(this);
  const QString words[] = {tr("Machined wrongly"), tr("Blemished"), tr("Does not fit"),
                           tr("Other size")};
  for (int i = 0; i < 4; ++i) {
    auto* button = new QPushButton(tr("%1   Alt+%2").arg(words[i]).arg(i + 1));
    button->setAccessibleName(words[i]);
    button->setCheckable(true);
    button->setAutoDefault(false);
    button->setMinimumHeight(kRemedyButton);
    faults_->addButton(button, i);
    row->addWidget(button);
    connect(new QShortcut(QKeySequence(Qt::ALT | static_cast<Qt::Key>(Qt::Key_1 + i)), this),
            &QShortcut::activated, button, &QPushButton::click);
  }
  faults_->button(0)->setChecked(true);
  connect(faults_, &QButtonGroup::idClicked, this, &WrongDialog::look);
  return row;
}

QLayout* WrongDialog::makeSize() {
  auto* row = new QHBoxLayout;
  row->setContentsMargins(0, 0, 0, 0);
  const QString names[] = {tr("Measures, long"), tr("and wide")};
  for (std::size_t i = 0; i < fields_.size(); ++i) {
    fields_[i] = new QLineEdit;
    fields_[i]->setAccessibleName(names[i]);
    fields_[i]->setMinimumHeight(kRemedyButton - 8);
    row->addWidget(new Label(names[i]));
    row->addWidget(fields_[i], 1);
    connect(fields_[i], &QLineEdit::returnPressed, this, &WrongDialog::look);
  }
  auto* show = new QPushButton(tr("Show the ways"));
  show->setMinimumHeight(kRemedyButton);
  show->setAutoDefault(false);
  connect(show, &QPushButton::clicked, this, &WrongDialog::look);
  row->addWidget(show);
  return row;
}

Fault WrongDialog::fault() const {
  return static_cast<Fault>(faults_->checkedId());
}

void WrongDialog::look() {
  size_->setVisible(fault() == Fault::OtherSize);
  delete std::exchange(ways_, nullptr);
  problem_->clear();
  bench::Wrong wrong{fault(), piece_, {}, {}};
  if (fault() == Fault::OtherSize) {
    Length* sizes[] = {&wrong.length, &wrong.width};
    bool any = false;
    for (std::size_t i = 0; i < fields_.size(); ++i) {
      const std::string text = fields_[i]->text().trimmed().toStdString();
      if (text.empty()) continue;
      any = true;
      const auto length = parseExpression(text, session_.job().unit);
      if (!length) return problem_->show(length.problems());
      *sizes[i] = length.value();
    }
    if (!any) return fields_[0]->setFocus();
  }
  const auto ways = bench::remedies(wrong, session_.floor().record().cuttings,
                                    session_.floor().ledger(), session_.breakdown().parts);
  if (!ways) return problem_->show(ways.problems());
  ways_ = new QWidget;
  auto* list = new QVBoxLayout(ways_);
  list->setContentsMargins(0, 0, 0, 0);
  for (const Remedy& way : ways.value()) {
    auto* button = new QPushButton(words(way));
    button->setAccessibleName(words(way));
    button->setMinimumHeight(kRemedyButton);
    button->setFont(look::text(15));
    button->setAutoDefault(false);
    connect(button, &QPushButton::clicked, this, [this, way] { take(way); });
    list->addWidget(button);
  }
  list->addStretch(1);
  column_->insertWidget(column_->count() - 1, ways_, 1);
}

// The one to take, what else it touches, and what it takes.
QString WrongDialog::words(const Remedy& remedy) const {
  const LengthStyle style = session_.style();
  const QString area = areaFigure(remedy.takes.inM2(), style.unit);
  QStringList codes;
  for (const std::string& code : remedy.touches) codes << qs(code);
  switch (remedy.kind) {
    case Remedy::Kind::Spare:
      return tr("Take the spare, no. %1: nothing else is touched").arg(qs(remedy.from));
    case Remedy::Kind::Leftover:
      return tr("Cut it again from %1, which lies at the saw: %2 of it").arg(qs(remedy.from), area);
    case Remedy::Kind::CutLater:
      return tr("Cut it again by a later cutting: %1 of new material").arg(area);
    case Remedy::Kind::Hide:
      return tr("Turn it over: the fault goes to the face that nobody sees");
    case Remedy::Kind::Fill:
      return tr("Pack, fill or glue up, and machine it again: nothing else is touched");
    case Remedy::Kind::Split:
      return tr("Split the difference: %1 at either end").arg(figureWithUnit(remedy.each, style));
    case Remedy::Kind::Follow:
      break;
  }
  return tr("Let what meets it follow, not cut yet: %1").arg(codes.join(QStringLiteral(", ")));
}

void WrongDialog::take(const Remedy& remedy) {
  if (const auto problem = session_.happened(remedy.events)) return problem_->show({*problem});
  accept();
}

}  // namespace pp

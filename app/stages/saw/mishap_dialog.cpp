#include "app/stages/saw/mishap_dialog.h"

#include <QButtonGroup>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QShortcut>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <utility>

#include "core/breakdown/breakdown.h"
#include "core/floor/at_saw.h"
#include "core/floor/compare.h"
#include "core/length/parse.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

using Kind = floor::Mishap::Kind;

constexpr int kMishapButton = 48;   // high: for gloves
constexpr double kSecondsEach = 1;  // a way is looked for

QString lyingWords(const floor::Lying& one, const LengthStyle& style) {
  const QString name =
      one.part ? QObject::tr("%1, piece %2").arg(qs(one.part->code)).arg(one.part->number)
               : qs(one.piece);
  return QObject::tr("%1   %2").arg(name, figures(one.length, one.width, style));
}

}  // namespace

MishapDialog::MishapDialog(Session& session, int cutting, QWidget* parent)
    : QDialog(parent), session_(session), cutting_(cutting) {
  setWindowTitle(tr("Went wrong"));
  setAccessibleName(tr("Went wrong"));
  setAttribute(Qt::WA_DeleteOnClose);
  const floor::CuttingProgress& at = session.floor().progress().cuttings.at(cutting);
  plan_ = std::make_shared<const CuttingPlan>(*session.floor().ledger().plan(cutting, at.plan));
  lying_ = floor::lyingNow(session.floor().ledger(), cutting);
  settingsLeft_ = floor::AtSaw(*plan_, at.plan, at).settingsLeft();
  auto* column = new QVBoxLayout(this);
  column->setSpacing(8);
  column->addLayout(makeKinds());
  column->addLayout(makeFields());
  good_ = new Label;
  good_->setAccessibleName(tr("What is still good"));
  good_->setWordWrap(true);
  column->addWidget(good_);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  column->addLayout(makeWays(), 1);
  connect(&runner_, &WaysRunner::found, this, &MishapDialog::show);
  connect(&runner_, &WaysRunner::failed, this, [this](const QString& why) {
    problem_->show({{{}, 0, {}, why.toStdString(), "a way to go on"}});
  });
  resize(940, 600);
  followKind();
}

QLayout* MishapDialog::makeKinds() {
  auto* row = new QHBoxLayout;
  kinds_ = new QButtonGroup(this);
  const QString words[] = {tr("Part spoiled"), tr("Other size"), tr("Damaged"), tr("Other kerf"),
                           tr("Other sheet")};
  for (int i = 0; i < 5; ++i) {
    auto* button = new QPushButton(tr("%1   Alt+%2").arg(words[i]).arg(i + 1));
    button->setAccessibleName(words[i]);
    button->setCheckable(true);
    button->setMinimumHeight(kMishapButton);
    button->setFont(look::text(15, true));
    button->setAutoDefault(false);
    kinds_->addButton(button, i);
    row->addWidget(button);
    connect(new QShortcut(QKeySequence(Qt::ALT | static_cast<Qt::Key>(Qt::Key_1 + i)), this),
            &QShortcut::activated, button, &QPushButton::click);
    button->setToolTip(tr("Alt+%1").arg(i + 1));
  }
  kinds_->button(0)->setChecked(true);
  connect(kinds_, &QButtonGroup::idClicked, this, &MishapDialog::followKind);
  return row;
}

QLayout* MishapDialog::makeFields() {
  auto* grid = new QGridLayout;
  what_ = new QComboBox;
  what_->setAccessibleName(tr("What it is about"));
  what_->setMinimumHeight(kMishapButton - 8);
  grid->addWidget(what_, 1, 0);
  grid->setColumnStretch(0, 2);
  for (std::size_t i = 0; i < fields_.size(); ++i) {
    const int at = static_cast<int>(i) + 1;
    names_[i] = new Label;
    fields_[i] = new QLineEdit;
    fields_[i]->setMinimumHeight(kMishapButton - 8);
    grid->addWidget(names_[i], 0, at);
    grid->addWidget(fields_[i], 1, at);
    grid->setColumnStretch(at, 1);
    connect(fields_[i], &QLineEdit::returnPressed, this, &MishapDialog::look);
  }
  look_ = new QPushButton(tr("Show the ways"));
  look_->setMinimumHeight(kMishapButton);
  look_->setDefault(true);
  note_ = new QPushButton(tr("Only note it"));
  note_->setMinimumHeight(kMishapButton);
  note_->setAutoDefault(false);
  connect(look_, &QPushButton::clicked, this, &MishapDialog::look);
  connect(note_, &QPushButton::clicked, this, &MishapDialog::noteOnly);
  grid->addWidget(look_, 1, 5);
  grid->addWidget(note_, 1, 6);
  return grid;
}

QLayout* MishapDialog::makeWays() {
  auto* row = new QHBoxLayout;
  const QString names[] = {tr("Disturb nothing"), tr("One piece anew"), tr("Everything anew")};
  for (std::size_t i = 0; i < cards_.size(); ++i) {
    auto* box = new QFrame;
    box->setObjectName(QStringLiteral("tip"));
    auto* column = new QVBoxLayout(box);
    auto* head = new Label(names[i]);
    head->setFont(look::text(17, true));
    column->addWidget(head);
    cards_[i].words = new Label;
    cards_[i].words->setAccessibleName(names[i]);
    cards_[i].words->setWordWrap(true);
    cards_[i].words->setAlignment(Qt::AlignTop);
    cards_[i].words->setFont(look::text(15));
    column->addWidget(cards_[i].words, 1);
    cards_[i].take = new QPushButton(tr("Take it"));
    cards_[i].take->setAccessibleName(tr("Take: %1").arg(names[i]));
    cards_[i].take->setMinimumHeight(kMishapButton);
    cards_[i].take->setAutoDefault(false);
    column->addWidget(cards_[i].take);
    connect(cards_[i].take, &QPushButton::clicked, this, [this, i] { take(i); });
    row->addWidget(box, 1);
  }
  return row;
}

Kind MishapDialog::kind() const {
  return static_cast<Kind>(kinds_->checkedId());
}

void MishapDialog::followKind() {
  runner_.stop();
  happened_.clear();
  problem_->clear();
  good_->clear();
  for (Card& card : cards_) {
    card.way.reset();
    card.words->setText(tr("Say what happened, then see the ways."));
    card.take->setEnabled(false);
  }
  const LengthStyle style = session_.style();
  const QSignalBlocker quiet(what_);
  what_->clear();
  if (kind() == Kind::Kerf) {
    for (const Machine& saw : plan_->request.shop.machines)
      what_->addItem(
          tr("%1   takes %2")
              .arg(qs(saw.name), figureWithUnit(saw.kerf.value_or(plan_->request.kerf), style)),
          qs(saw.name));
  } else {
    for (const floor::Lying& one : lying_) {
      const bool wanted = kind() == Kind::Spoiled   ? one.part.has_value()
                          : kind() == Kind::Damaged ? !one.part
                          : kind() == Kind::Sheet   ? one.whole
                                                    : true;
      if (wanted) what_->addItem(lyingWords(one, style), qs(one.piece));
    }
  }
  static const std::array<std::array<const char*, 4>, 5> kFields = {
      {{QT_TR_NOOP("Still sound, long"), QT_TR_NOOP("and wide"), "", ""},
       {QT_TR_NOOP("Measures, long"), QT_TR_NOOP("and wide"), "", ""},
       {QT_TR_NOOP("From the left"), QT_TR_NOOP("from below"), QT_TR_NOOP("long"),
        QT_TR_NOOP("wide")},
       {QT_TR_NOOP("Takes"), "", "", ""},
       {QT_TR_NOOP("Long"), QT_TR_NOOP("wide"), QT_TR_NOOP("thick"), ""}}};
  const auto& wanted = kFields[static_cast<std::size_t>(kinds_->checkedId())];
  for (std::size_t i = 0; i < fields_.size(); ++i) {
    const QString name = tr(wanted[i]);
    const bool there = wanted[i][0] != '\0';
    names_[i]->setText(name);
    names_[i]->setVisible(there);
    fields_[i]->setVisible(there);
    fields_[i]->setAccessibleName(name);
    fields_[i]->clear();
  }
  const bool any = what_->count() > 0;
  look_->setEnabled(any);
  note_->setEnabled(any);
  if (!any) what_->addItem(tr("nothing of the kind lies there"));
}

std::optional<floor::Mishap> MishapDialog::typed() {
  floor::Mishap out;
  out.kind = kind();
  std::array<Length, 4> lengths{};
  for (std::size_t i = 0; i < fields_.size(); ++i) {
    if (fields_[i]->isHidden() || fields_[i]->text().trimmed().isEmpty()) continue;
    const auto length =
        parseExpression(fields_[i]->text().trimmed().toStdString(), session_.job().unit);
    if (!length) {
      problem_->show(length.problems());
      fields_[i]->setFocus();
      return std::nullopt;
    }
    lengths[i] = length.value();
  }
  const std::string what = what_->currentData().toString().toStdString();
  switch (out.kind) {
    case Kind::Kerf:
      out.machine = what;
      out.kerf = lengths[0];
      break;
    case Kind::Damaged:
      out.piece = what;
      out.damage = {lengths[0], lengths[1], lengths[2], lengths[3]};
      break;
    default:
      out.piece = what;
      out.length = lengths[0];
      out.width = lengths[1];
      out.thickness = out.kind == Kind::Sheet ? lengths[2] : Length{};
  }
  return out;
}

void MishapDialog::look() {
  runner_.stop();
  problem_->clear();
  const auto mishap = typed();
  if (!mishap) return;
  auto after = floor::aftermath(session_.floor().ledger(), cutting_, *mishap);
  if (!after) return problem_->show(after.problems());
  happened_ = after->events;
  sayGood(*after);
  if (mishap->kind == Kind::Sheet && mishap->thickness > Length{}) sayThickness(*mishap);
  for (Card& card : cards_) {
    card.way.reset();
    card.take->setEnabled(false);
    card.words->setText(after->asWanted || after->trimmable ? tr("Nothing need be planned anew.")
                                                            : tr("looking …"));
  }
  if (after->asWanted || after->trimmable) return;
  runner_.start(floor::wayFrom(session_.floor().ledger(), session_.floor().holdings(), cutting_,
                               std::move(after).value()),
                kSecondsEach);
}

void MishapDialog::sayGood(const floor::Aftermath& after) {
  QStringList codes;
  for (const std::string& code : after.goodFor) codes << qs(code);
  good_->setText(after.asWanted    ? tr("Within the tolerance: it is good as it is.")
                 : after.trimmable ? tr("Larger than wanted: cut it down to its size.")
                 : codes.empty()
                     ? tr("What is cut stays good; only what is not cut is planned anew.")
                     : tr("What is sound is good for %1.").arg(codes.join(tr(", "))));
}

// What follows from a thickness is the drawing's: which parts change, and what those that are cut
// are good for.
void MishapDialog::sayThickness(const floor::Mishap& mishap) {
  Job next = session_.job();
  const auto sheet = std::find_if(
      plan_->plan.sheets.begin(), plan_->plan.sheets.end(), [&](const PlannedSheet& one) {
        const auto i = static_cast<std::size_t>(&one - plan_->plan.sheets.data());
        return sheetName(plan_->request, plan_->plan, i) == mishap.piece;
      });
  if (sheet == plan_->plan.sheets.end()) return;
  const StockSupply& stock = plan_->request.stock[sheet->stock];
  for (Material& material : next.materials)
    if (material.name == stock.material && material.nominal == stock.thickness)
      material.measured = mishap.thickness;
  const Breakdown now = breakDown(next);
  const auto changed = changedParts(session_.breakdown().parts, now.parts);
  std::int64_t fates[4] = {};
  const auto compared =
      floor::compared(now.parts, session_.floor().record().cuttings, session_.floor().progress());
  for (const floor::Compared& one : compared) fates[static_cast<std::size_t>(one.fate)] += one.cut;
  QStringList words;
  const LengthStyle style = session_.style();
  constexpr std::size_t kSome = 4;
  for (std::size_t i = 0; i < changed.size() && i < kSome; ++i)
    words << tr("%1 %2 to %3")
                 .arg(qs(changed[i].code),
                      figures(changed[i].oldLength, changed[i].oldWidth, style),
                      figures(changed[i].newLength, changed[i].newWidth, style));
  if (changed.size() > kSome) words << tr("and %1 more").arg(changed.size() - kSome);
  good_->setText(changed.empty()
                     ? tr("No part changes with that thickness.")
                     : tr("%1 with that thickness: %2. Of what is cut %3 are usable, %4 can be "
                          "trimmed, %5 are "
                          "spoiled. Type it at the lot in Rack, and lay out the rest anew.")
                           .arg(counted(static_cast<std::int64_t>(changed.size()),
                                        tr("part changes"), tr("parts change")),
                                words.join(tr(", ")))
                           .arg(fates[0])
                           .arg(fates[1])
                           .arg(fates[2]));
}

void MishapDialog::noteOnly() {
  problem_->clear();
  const auto mishap = typed();
  if (!mishap) return;
  auto after = floor::aftermath(session_.floor().ledger(), cutting_, *mishap);
  if (!after) return problem_->show(after.problems());
  if (const auto problem = session_.happened(after->events)) return problem_->show({*problem});
  accept();
}

void MishapDialog::show(const floor::Way& way) {
  Card& card = cards_[static_cast<std::size_t>(way.disturb)];
  QStringList lines;
  const Plan& plan = way.plan.plan;
  if (!plan.complete())
    lines << tr("%1 would have no place.").arg(counted(plan.missing(), tr("part"), tr("parts")));
  lines << (way.newSheets == 0 ? tr("No new sheet.")
                               : tr("%1 from the rack, %2.")
                                     .arg(counted(way.newSheets, tr("new sheet"), tr("new sheets")),
                                          qs(format(way.newCost))));
  lines << tr("%1, %2 now.")
               .arg(counted(way.settings, tr("setting"), tr("settings")))
               .arg(settingsLeft_);
  QStringList codes;
  for (const std::string& code : way.movedCodes) codes << qs(code);
  lines << (codes.empty()
                ? tr("No part moves.")
                : tr("%1 in another place: %2.")
                      .arg(counted(codes.size(), tr("part"), tr("parts")), codes.join(tr(", "))));
  card.words->setText(lines.join(QLatin1Char('\n')));
  card.take->setEnabled(plan.complete());
  card.way = way;
}

void MishapDialog::take(std::size_t card) {
  if (!cards_[card].way) return;
  runner_.stop();
  const Problems problems = session_.goOn(cutting_, happened_, cards_[card].way->plan);
  if (!problems.empty()) return problem_->show(problems);
  accept();
}

}  // namespace pp

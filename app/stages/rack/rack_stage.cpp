#include "app/stages/rack/rack_stage.h"

#include <QDate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/shop/buying_dialog.h"
#include "app/shop/shop_dialog.h"
#include "core/shop/good_for.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

RackStage::RackStage(Session& session, QWidget* parent) : Stage(session, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  column->setSpacing(8);
  column->addLayout(storeHead());
  view_ = new RackView;
  column->addWidget(view_, 42);
  chosen_ = new Label;
  chosen_->setAccessibleName(tr("The piece that is chosen"));
  auto* between = new QHBoxLayout;
  auto* heading = new Label(tr("This job counts on"));
  heading->setFont(look::text(15, true));
  between->addWidget(heading);
  // What is wider than the window is cut off: all of it is in the tip.
  chosen_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  chosen_->setAlignment(Qt::AlignRight);
  between->addWidget(chosen_, 1);
  column->addLayout(between);
  leaves_ = new RackLeaves(session);
  column->addWidget(leaves_, 58);
  changes_ = new ChangedParts(session);
  column->addWidget(changes_);
  problem_ = new ProblemLine;
  column->addWidget(problem_);
  connect(search_, &QLineEdit::textChanged, view_, &RackView::search);
  connect(view_, &RackView::chosenChanged, this, &RackStage::sayChosen);
  const auto show = [this](const Problems& problems) { problem_->show(problems); };
  connect(leaves_, &Leaves::refused, this, show);
  connect(&session.store(), &StoreDesk::refused, this, show);
  connect(&session.store(), &StoreDesk::changed, this, &RackStage::stale);
  connect(&session, &Session::changed, this, &RackStage::stale);
}

QLayout* RackStage::storeHead() {
  auto* row = new QHBoxLayout;
  auto* words = new Label(tr("The shop's rack"));
  words->setFont(look::text(15, true));
  row->addWidget(words);
  search_ = new QLineEdit;
  search_->setAccessibleName(tr("Search the rack"));
  search_->setPlaceholderText(tr("material, lot, place, tag, or 600 x 400"));
  search_->setClearButtonEnabled(true);
  search_->setFixedWidth(260);
  row->addWidget(search_);
  differs_ = new Label;
  differs_->setAccessibleName(tr("Where this job's copy differs"));
  differs_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  differs_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  row->addWidget(differs_, 1);
  const auto dialog = [this, row](const QString& title, const QString& name, auto make) {
    auto* button = new QPushButton(title);
    button->setAccessibleName(name);
    connect(button, &QPushButton::clicked, this, [this, make] {
      QDialog* made = make(session(), window());
      made->setAttribute(Qt::WA_DeleteOnClose);
      made->open();
    });
    row->addWidget(button);
  };
  dialog(tr("The shop …"), tr("What the shop owns"),
         [](Session& session, QWidget* over) -> QDialog* { return new ShopDialog(session, over); });
  dialog(
      tr("Buy …"), tr("What to buy, and what it costs"),
      [](Session& session, QWidget* over) -> QDialog* { return new BuyingDialog(session, over); });
  takeOver_ = new QPushButton(tr("Take over"));
  takeOver_->setAccessibleName(tr("Take over from the store"));
  row->addWidget(takeOver_);
  put_ = new QPushButton(tr("Put into the rack"));
  put_->setAccessibleName(tr("Put the chosen row into the shop's rack"));
  row->addWidget(put_);
  connect(takeOver_, &QPushButton::clicked, this, &RackStage::takeOverFromStore);
  connect(put_, &QPushButton::clicked, this, &RackStage::putIntoStore);
  return row;
}

std::vector<KeyHelp> RackStage::keys() const {
  return {{tr("arrow keys"), tr("move in the table, or along the rack")},
          {tr("F2, or just type"), tr("change the value; arithmetic and any unit are understood")},
          {tr("Esc"), tr("leave the value as it was")}};
}

void RackStage::refresh() {
  changes_->follow();
  view_->setStyle(session().style());
  followStore();
}

void RackStage::showEvent(QShowEvent* event) {
  Stage::showEvent(event);
  session().store().look();
}

void RackStage::followStore() {
  const StoreDesk& store = session().store();
  const auto state = store.state();
  view_->setState(state,
                  !store.trouble().isEmpty()
                      ? tr("%1\nThis job is usable with what it carries.").arg(store.trouble())
                      : tr("Nothing stands in the shop's rack yet. Choose a sheet below and "
                           "put it there: every job then sees it."));
  const std::vector<std::string> lines =
      state ? differences(session().job(), *state) : std::vector<std::string>{};
  const NotTakenOver more = state ? notTakenOver(session().job(), *state) : NotTakenOver{};
  QStringList all;
  for (const auto* some : {&lines, &more.first})
    for (const std::string& line : *some) all << qs(line);
  QStringList words;
  if (!lines.empty())
    words << counted(std::ssize(lines), tr("row is otherwise in the rack"),
                     tr("rows are otherwise in the rack"));
  if (more.rows > 0)
    words << counted(static_cast<std::int64_t>(more.rows),
                     tr("row there that this job does not count on"),
                     tr("rows there that this job does not count on"));
  differs_->setText(all.size() == 1 ? all.front() : words.join(QStringLiteral("; ")));
  differs_->setToolTip(plainTip(all.join(QLatin1Char('\n'))));
  takeOver_->setVisible(!all.isEmpty());
  put_->setEnabled(store.trouble().isEmpty());
}

void RackStage::sayChosen() {
  const RackRow* row = view_->chosen();
  chosen_->setVisible(row != nullptr);
  if (row == nullptr) return;
  const RackPiece& piece = row->piece;
  const LengthStyle style = session().style();
  const auto& state = view_->state();
  QStringList words = {
      rackMaterialWords(state->materials, piece.material, style),
      tr("%1 × %2").arg(figure(piece.length, style), figureWithUnit(piece.width, style))};
  if (!piece.lot.empty()) words << tr("lot %1").arg(qs(piece.lot));
  if (!piece.place.empty()) words << qs(piece.place);
  if (!piece.note.empty()) words << qs(piece.note);
  const auto pieces = [](std::int64_t count) { return counted(count, tr("piece"), tr("pieces")); };
  QStringList good;
  const std::vector<WantedPart> own = wantedParts(session().job(), session().breakdown().parts);
  if (const std::int64_t count = goodFor(own, *state, piece); count > 0)
    good << tr("%1 of this job").arg(pieces(count));
  for (const JobWants& other : state->jobs)
    if (const std::int64_t count = goodFor(other.parts, *state, piece);
        count > 0 && other.job != session().job().id)
      good << tr("%1 of %2").arg(pieces(count), qs(other.name));
  words << (good.isEmpty() ? tr("good for no part that is wanted")
                           : tr("good for %1").arg(good.join(QStringLiteral(", "))));
  chosen_->setText(words.join(QStringLiteral("  ·  ")));
  chosen_->setToolTip(plainTip(words.join(QLatin1Char('\n'))));
}

void RackStage::takeOverFromStore() {
  const auto state = session().store().state();
  if (!state) return;
  Job next = session().draft();
  takeOver(next, *state);
  problem_->show(session().edit(tr("take over from the rack"), std::move(next)));
}

void RackStage::putIntoStore() {
  const auto row = leaves_->chosenPiece();
  const Job& job = session().job();
  if (!row || *row >= job.stock.size())
    return problem_->show({{{}, 0, {}, "no sheet or offcut chosen below", "one to put there"}});
  const StockPiece& piece = job.stock[*row];
  const Material* material = findMaterial(job, piece.material);
  if (material == nullptr) return;
  if (piece.store != 0)
    return problem_->show(
        {{{}, 0, {}, "a copy of what stands there already", "a row that is not"}});
  RackPiece there;
  there.kind = material->lumber                  ? RackKind::Bar
               : piece.kind == StockKind::Offcut ? RackKind::Offcut
                                                 : RackKind::Sheet;
  constexpr std::int64_t kNextTag = -1;
  if (there.kind == RackKind::Offcut) there.tag = kNextTag;
  there.lot = piece.lot;
  there.measured = piece.measured;
  there.length = piece.length;
  there.width = piece.width;
  there.grain = piece.grain;
  there.count = std::max<std::int64_t>(1, piece.quantity.value_or(1));
  there.price = piece.price;
  there.came = QDate::currentDate().toString(Qt::ISODate).toStdString();
  problem_->clear();
  session().store().put(std::move(there), likeOf(*material));
}

void RackStage::hideEvent(QHideEvent* event) {
  Stage::hideEvent(event);
  changes_->forget();
  stale();
}

}  // namespace pp

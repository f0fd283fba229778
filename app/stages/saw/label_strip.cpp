#include "app/stages/saw/label_strip.h"

#include <QVBoxLayout>
#include <utility>

#include "app/fields/large.h"
#include "pictures/paint/look.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {
namespace {

constexpr int kWide = 252;

}  // namespace

LabelStrip::LabelStrip(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFixedWidth(kWide);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(8, 0, 0, 0);
  column->setSpacing(6);
  words_ = new Label;
  words_->setAccessibleName(tr("What came off last"));
  words_->setFont(look::text(17, true));
  words_->setWordWrap(true);
  column->addWidget(words_);
  picture_ = new QLabel;
  picture_->setAccessibleName(tr("Its label"));
  const int wide = kWide - 8;
  picture_->setFixedSize(wide,
                         static_cast<int>(wide * kSingleLabel.height() / kSingleLabel.width()));
  picture_->setScaledContents(true);
  picture_->setFrameShape(QFrame::Box);
  column->addWidget(picture_);
  column->addStretch(1);
  printer_ = new Label;
  printer_->setAccessibleName(tr("Labels"));
  printer_->setFont(look::text(15));
  printer_->setWordWrap(true);
  column->addWidget(printer_);
  all_ = largeButton(tr("Labels   L"), tr("All labels"));
  column->addWidget(all_);
  connect(all_, &QPushButton::clicked, this, &LabelStrip::asked);
  connect(&session.labels(), &LabelDesk::changed, this, [this] {
    if (isVisible()) follow();
  });
}

void LabelStrip::follow() {
  const LabelDesk& desk = session_.labels();
  const std::vector<floor::LabelOwed> last = session_.floor().ledger().cameOffLast();
  QStringList names;
  for (const floor::LabelOwed& one : last)
    names << (one.on.piece ? tr("%1 no. %2").arg(qs(one.on.piece->code)).arg(one.on.piece->number)
                           : qs(one.on.leftover));
  words_->setText(last.empty() ? tr("Nothing has come off yet.")
                               : tr("came off: %1").arg(names.join(QStringLiteral(", "))));
  const auto show = last.empty() ? std::nullopt : std::optional(last.back().on);
  picture_->setVisible(show.has_value());
  if (show != std::exchange(shown_, show)) drawing_.ask();
  const auto waiting = std::ssize(desk.owed());
  const QString wait =
      waiting == 0 ? tr("Every piece has its label.")
                   : counted(waiting, tr("label to be printed"), tr("labels to be printed"));
  const QString state =
      desk.isPlugged() ? tr("Label printer: %1. %2").arg(said(desk.state()), wait) : wait;
  printer_->setText(desk.trouble().isEmpty() ? state : desk.trouble());
  printer_->setVisible(!last.empty() || waiting > 0);
}

// After the next cut is shown: drawing a label takes as long as that.
void LabelStrip::draw() {
  const auto says = shown_ ? session_.labels().says(*shown_) : std::nullopt;
  picture_->setPixmap(says ? QPixmap::fromImage(labelImage(session_.job(), *says)) : QPixmap());
}

}  // namespace pp

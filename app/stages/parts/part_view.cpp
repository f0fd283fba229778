#include "app/stages/parts/part_view.h"

#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/fields/field.h"
#include "pictures/paint/look.h"
#include "pictures/paint/part_picture.h"
#include "words/figures.h"
#include "words/said.h"

namespace pp {
namespace {

// The other hand of the same part: same name but for left and right, same size.
const Part* twinOf(const Breakdown& breakdown, const Part& part) {
  if (part.hand == Hand::None) return nullptr;
  for (const Part& other : breakdown.parts)
    if (other.assembly == part.assembly && other.hand != Hand::None && other.hand != part.hand &&
        other.opening == part.opening && other.length.total() == part.length.total() &&
        other.width.total() == part.width.total() && other.material == part.material)
      return &other;
  return nullptr;
}

// The cutting list of the bars that a lumber part is cut from, as the plan has it.
QString barWords(const PlanShown& shown, const LengthStyle& style, const Part& part) {
  if (!shown.plan) return PartView::tr("Laying out …");
  const NestRequest& request = *shown.request;
  QStringList out;
  for (const BarList& list : shown.plan->bars) {
    const BarPart& first = request.barParts[list.parts.front()];
    if (first.material != part.material || first.width != part.cutWidth()) continue;
    int number = 0;
    for (const Bar& bar : list.plan.bars) {
      QStringList cuts;
      for (const std::size_t i : bar.cuts) {
        const BarDemand& cut = request.barParts[list.parts[i]].wanted;
        cuts << QStringLiteral("%1 %2").arg(qs(cut.code), qs(format(cut.length, style)));
      }
      const BarStock& stock = request.barStock[list.stock[bar.stock]].bar;
      out << PartView::tr("%1. %2, %3: %4; %5 left")
                 .arg(++number)
                 .arg(qs(stock.id), qs(format(stock.length, style)),
                      cuts.join(QStringLiteral(", ")), qs(format(bar.rest, style)));
    }
    for (const std::size_t i : list.plan.unplaced)
      out << PartView::tr("No bar for %1").arg(qs(request.barParts[list.parts[i]].wanted.code));
    out << (list.plan.proven ? PartView::tr("It cannot be done for less.")
                             : PartView::tr("Not proven to be the least."));
  }
  return out.isEmpty() ? PartView::tr("No cutting is to be made from them.")
                       : out.join(QLatin1Char('\n'));
}

QString wordsFor(const Job& job, const PlanShown& plan, const Part& part) {
  const LengthStyle style = styleOf(job);
  const auto paragraph = [](const QString& head, const QString& body) {
    return QStringLiteral("<p style='margin:0 0 8px 0'><b>%1</b><br>%2</p>")
        .arg(head, body.toHtmlEscaped().replace(QLatin1Char('\n'), QStringLiteral("<br>")));
  };
  QString out = paragraph(PartView::tr("Why this length"), qs(format(part.length, style)));
  out += paragraph(PartView::tr("Why this width"), qs(format(part.width, style)));
  QString cut = figures(part.cutLength(), part.cutWidth(), style);
  if (part.bandedLength != Length{} || part.bandedWidth != Length{})
    cut += PartView::tr(", the banding taken off");
  if (part.oversize != Length{})
    cut +=
        PartView::tr(", %1 over, %2").arg(qs(format(part.oversize, style)), qs(part.oversizeWhy));
  if (part.lumber) cut += PartView::tr(", from a bar");
  if (part.perBlank > 1)
    cut += PartView::tr("\n%1 of them share a blank %2 wide: %3")
               .arg(part.perBlank)
               .arg(qs(format(part.blank(), style)), qs(format(part.blankWidth, style)));
  out += paragraph(PartView::tr("Cut it to"), cut);
  if (part.lumber)
    out += paragraph(PartView::tr("The bars of this width"), barWords(plan, style, part));
  if (!part.overridden.empty())
    out += paragraph(PartView::tr("By hand, not by the rules"), qs(part.overridden));
  if (!part.note.empty()) out += paragraph(PartView::tr("Mind"), qs(part.note));
  out += paragraph(
      PartView::tr("Finish"),
      part.finishOutside
          ? PartView::tr("%1 inside, %2 outside").arg(said(part.finish), said(*part.finishOutside))
          : said(part.finish));
  QStringList hidden;
  if (part.hidden[0]) hidden << PartView::tr("inside face");
  if (part.hidden[1]) hidden << PartView::tr("outside face");
  if (!hidden.isEmpty())
    out += paragraph(PartView::tr("Nobody sees"),
                     PartView::tr("the %1, where it stands: screws, pockets and rough wood may be "
                                  "there, and no finish is needed")
                         .arg(hidden.join(PartView::tr(" and "))));
  QStringList joins;
  for (const Join& join : part.joins) joins << qs(describe(join, part));
  if (!joins.isEmpty()) out += paragraph(PartView::tr("Joined"), joins.join(QLatin1Char('\n')));
  QStringList machining;
  for (const Machining& one : part.machining) machining << qs(describe(one, part, style));
  if (!machining.isEmpty())
    out += paragraph(PartView::tr("Machining"), machining.join(QLatin1Char('\n')));
  if (!part.run.empty())
    out += paragraph(PartView::tr("Grain run"),
                     PartView::tr("%1, number %2").arg(qs(part.run)).arg(part.runOrder));
  return out;
}

}  // namespace

PartPictureView::PartPictureView(QWidget* parent) : QWidget(parent) {
  setMinimumHeight(250);
  setAccessibleName(tr("Picture of the part"));
}

void PartPictureView::setParts(std::shared_ptr<const Job> job, std::vector<Part> parts) {
  job_ = std::move(job);
  parts_ = std::move(parts);
  QStringList names;
  for (const Part& part : parts_) names << qs(part.code + " " + part.name);
  setAccessibleDescription(names.join(QStringLiteral(", ")));
  update();
}

void PartPictureView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kPaper);
  if (parts_.empty()) return;
  const double each = static_cast<double>(width()) / static_cast<double>(parts_.size());
  for (std::size_t i = 0; i < parts_.size(); ++i) {
    const Part& part = parts_[i];
    const QRectF room(each * static_cast<double>(i), 0, each, height() - 18);
    paintPart(painter, room, *job_, part, Face::Inside);
    painter.setFont(look::text(12, true));
    painter.setPen(look::kGraphite);
    painter.drawText(QRectF(room.x(), height() - 18, each, 18), Qt::AlignCenter,
                     QStringLiteral("%1  %2").arg(qs(part.code), tr("inside face")));
  }
}

PartView::PartView(QWidget* parent) : QWidget(parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 10, 12, 8);
  heading_ = new Label;
  heading_->setFont(look::text(16, true));
  heading_->setWordWrap(true);
  heading_->setAccessibleName(tr("Part chosen"));
  column->addWidget(heading_);
  picture_ = new PartPictureView;
  column->addWidget(picture_, 3);
  words_ = new QLabel;
  words_->setFont(look::text(13));
  words_->setWordWrap(true);
  words_->setAlignment(Qt::AlignTop);
  words_->setTextFormat(Qt::RichText);
  words_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  words_->setAccessibleName(tr("Why this size"));
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setWidget(words_);
  column->addWidget(scroll, 2);
}

void PartView::setPart(const std::shared_ptr<const Job>& job, const Breakdown& breakdown,
                       const PlanShown& plan, const Part* part) {
  if (part == nullptr) {
    heading_->setText(tr("Choose a part to see why it is the size it is."));
    picture_->setParts(nullptr, {});
    words_->clear();
    return;
  }
  std::vector<Part> shown = {*part};
  if (const Part* twin = twinOf(breakdown, *part))
    shown.insert(part->hand == Hand::Left ? shown.end() : shown.begin(), *twin);
  const QString count = part->quantity > 1 ? tr("   %1 of them").arg(part->quantity) : QString();
  heading_->setText(qs(part->code + "  " + part->name) + count);
  picture_->setParts(job, std::move(shown));
  words_->setText(wordsFor(*job, plan, *part));
}

}  // namespace pp

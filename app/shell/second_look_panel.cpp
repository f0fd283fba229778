#include "app/shell/second_look_panel.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/paint/figures.h"
#include "app/paint/look.h"

namespace pp {

SecondLookPanel::SecondLookPanel(Document& document, QWidget* parent)
    : QScrollArea(parent), document_(document) {
  setFixedWidth(262);
  setWidgetResizable(true);
  setFrameShape(QFrame::NoFrame);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setAccessibleName(tr("Second look"));
  connect(&document_, &Document::changed, this, &SecondLookPanel::follow);
  connect(&document_, &Document::findingsChanged, this, &SecondLookPanel::follow);
  follow();
}

void SecondLookPanel::follow() {
  const auto& findings = document_.findings();
  setVisible(!findings.empty());
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("secondLook"));
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(10, 12, 12, 12);
  column->setSpacing(10);
  auto* heading = new QLabel(tr("Second look"));
  heading->setFont(look::text(15, true));
  column->addWidget(heading);
  constexpr std::size_t kMost = 30;  // more than anyone reads before mending the first
  for (std::size_t i = 0; i < findings.size() && i < kMost; ++i)
    column->addWidget(card(findings[i]));
  column->addStretch(1);
  setWidget(body);
}

QWidget* SecondLookPanel::card(const Finding& finding) {
  auto* box = new QFrame;
  box->setObjectName(finding.severity == Severity::Stop   ? QStringLiteral("stop")
                     : finding.severity == Severity::Mind ? QStringLiteral("mind")
                                                          : QStringLiteral("tip"));
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(10, 6, 4, 8);
  column->setSpacing(4);
  const auto line = [&](const QString& text, bool bold) {
    auto* label = new QLabel(text);
    label->setFont(look::text(13, bold));
    label->setWordWrap(true);
    column->addWidget(label);
    return label;
  };
  line(qs(finding.what), true)
      ->setAccessibleName(finding.severity == Severity::Stop   ? tr("Stop")
                          : finding.severity == Severity::Mind ? tr("Mind")
                                                               : tr("Tip"));
  line(qs(finding.why), false);
  auto* go = new QPushButton(tr("Go there"));
  go->setFlat(true);
  go->setAccessibleName(tr("Go there: %1").arg(qs(finding.what)));
  connect(go, &QPushButton::clicked, this, [this, place = finding.place] { emit jump(place); });
  column->addWidget(go, 0, Qt::AlignLeft);
  if (finding.fix) {
    auto* fix = new QPushButton(qs(finding.fix->what));
    fix->setObjectName(QStringLiteral("fix"));
    fix->setToolTip(tr("F8 does the first of these"));
    // Queued, because the edit rebuilds this very card.
    connect(
        fix, &QPushButton::clicked, this,
        [this, wanted = *finding.fix] { document_.edit(qs(wanted.what).toLower(), wanted.job); },
        Qt::QueuedConnection);
    column->addWidget(fix, 0, Qt::AlignLeft);
  }
  return box;
}

void SecondLookPanel::fixFirst() {
  for (const Finding& finding : document_.findings())
    if (finding.fix) {
      const Fix fix = *finding.fix;
      document_.edit(qs(fix.what).toLower(), fix.job);
      return;
    }
}

}  // namespace pp

#include "app/shell/second_look_panel.h"

#include <QLabel>
#include <QPushButton>
#include <QStyleOptionButton>
#include <QStylePainter>
#include <QVBoxLayout>

#include "app/fields/field.h"
#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr std::size_t kMost = 30;  // more than anyone reads before mending the first

// A button whose words take as many lines as they need: what a fix does is a sentence.
class WordsButton : public QPushButton {
 public:
  explicit WordsButton(const QString& text) : QPushButton(text) {
    QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Minimum);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
  }
  bool hasHeightForWidth() const override { return true; }
  int heightForWidth(int width) const override {
    const int around = QPushButton::sizeHint().height() - fontMetrics().height();
    return around + words(QRect(0, 0, width - kBeside, kHigh)).height();
  }
  QSize minimumSizeHint() const override { return {kBeside, heightForWidth(kNarrow)}; }

 protected:
  void paintEvent(QPaintEvent*) override {
    QStylePainter painter(this);
    QStyleOptionButton option;
    initStyleOption(&option);
    const QString text = option.text;
    option.text.clear();
    painter.drawControl(QStyle::CE_PushButton, option);
    painter.drawItemText(rect().adjusted(kBeside / 2, 0, -kBeside / 2, 0),
                         Qt::AlignVCenter | Qt::AlignLeft | Qt::TextWordWrap | Qt::TextShowMnemonic,
                         option.palette, isEnabled(), text, QPalette::ButtonText);
  }

 private:
  static constexpr int kBeside = 24;  // pixels that no word takes
  static constexpr int kNarrow = 220;
  static constexpr int kHigh = 10'000;

  QRect words(const QRect& room) const {
    return fontMetrics().boundingRect(room, Qt::TextWordWrap | Qt::TextShowMnemonic, text());
  }
};

}  // namespace

SecondLookPanel::SecondLookPanel(Session& session, QWidget* parent)
    : QScrollArea(parent), session_(session), later_([this] { follow(); }, nullptr) {
  setFixedWidth(262);
  setWidgetResizable(true);
  setFrameShape(QFrame::NoFrame);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setAccessibleName(tr("Second look"));
  connect(&session_, &Session::changed, &later_, &Later::ask);
  connect(&session_, &Session::findingsChanged, &later_, &Later::ask);
  follow();
}

void SecondLookPanel::follow() {
  const auto& findings = session_.findings();
  std::vector<QString> words;
  for (std::size_t i = 0; i < findings.size() && i < kMost; ++i)
    words.push_back(qs(findings[i].what + "\n" + findings[i].why + "\n" +
                       (findings[i].fix ? findings[i].fix->what : std::string()) + "\n" +
                       findings[i].place.assembly + " " + findings[i].place.part));
  setVisible(!findings.empty());
  if (widget() != nullptr && words == shown_) return;
  shown_ = std::move(words);
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("secondLook"));
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(10, 12, 12, 12);
  column->setSpacing(10);
  auto* heading = new Label(tr("Second look"));
  heading->setFont(look::text(15, true));
  column->addWidget(heading);
  for (std::size_t i = 0; i < findings.size() && i < kMost; ++i)
    column->addWidget(card(findings[i]));
  column->addStretch(1);
  // What is replaced may be what is being pressed just now.
  if (QWidget* old = takeWidget()) {
    old->hide();
    old->deleteLater();
  }
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
    auto* label = new Label(text);
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
    auto* button = new WordsButton(unmarked(qs(finding.fix->what)));
    button->setObjectName(QStringLiteral("fix"));
    button->setToolTip(tr("F8 does the first of these"));
    connect(button, &QPushButton::clicked, this,
            [this, what = finding.what, place = finding.place] {
              // The card may be older than the job: the fix is the one there is now.
              for (const Finding& now : session_.findings())
                if (now.fix && now.what == what && now.place.part == place.part) return fix(now);
            });
    column->addWidget(button);
  }
  return box;
}

void SecondLookPanel::fixFirst() {
  session_.finish();
  for (const Finding& finding : session_.findings())
    if (finding.fix) return fix(finding);
}

void SecondLookPanel::fix(const Finding& finding) {
  // What was found in a job that is about to be replaced may be gone.
  if (session_.deriver().isBusy()) return;
  const Fix wanted = *finding.fix;  // the edit replaces the findings
  Job next = session_.draft();
  wanted.edit(next);
  session_.edit(qs(wanted.what).toLower(), std::move(next));
}

}  // namespace pp

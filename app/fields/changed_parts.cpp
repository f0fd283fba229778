#include "app/fields/changed_parts.h"

#include <algorithm>
#include <utility>

#include "pictures/paint/look.h"
#include "words/figures.h"

namespace pp {

ChangedParts::ChangedParts(Session& session, QWidget* parent) : session_(session) {
  setParent(parent);
  setAccessibleName(tr("Parts that changed"));
  setFont(look::text(13));
  setWordWrap(true);
  hide();
}

void ChangedParts::follow() {
  const auto before = std::exchange(last_, session_.breakdownValue());
  const std::vector<PartChange> changes = std::exchange(seen_, true) && before != last_
                                              ? changedParts(before->parts, last_->parts)
                                              : std::vector<PartChange>{};
  setVisible(!changes.empty());
  if (changes.empty()) return;
  constexpr std::size_t kShown = 3;
  const LengthStyle style = session_.style();
  QStringList words;
  for (const PartChange& one : changes) {
    QStringList what;
    const QString old = figures(one.oldLength, one.oldWidth, style);
    const QString now = figures(one.newLength, one.newWidth, style);
    if (one.oldLength != one.newLength || one.oldWidth != one.newWidth)
      what << tr("%1 → %2").arg(old, now);
    if (!one.intoView.empty()) what << tr("%1 now seen").arg(qs(one.intoView));
    words << tr("%1 %2: %3").arg(qs(one.code), qs(one.name), what.join(QStringLiteral(", ")));
  }
  setToolTip(plainTip(words.join(QLatin1Char('\n'))));
  QString text = tr("%1. ").arg(
      counted(static_cast<std::int64_t>(changes.size()), tr("part changes"), tr("parts change")));
  text += words.mid(0, kShown).join(QStringLiteral("; "));
  if (changes.size() > kShown) text += tr("; and %1 more").arg(changes.size() - kShown);
  setText(text);
}

void ChangedParts::forget() {
  seen_ = false;
  hide();
}

}  // namespace pp

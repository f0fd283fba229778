#include "app/fields/large.h"

#include "pictures/paint/look.h"

namespace pp {

QPushButton* largeButton(const QString& words, const QString& name) {
  auto* out = new QPushButton(words);
  out->setAccessibleName(name);
  out->setMinimumHeight(kLargeButton);
  out->setFont(look::text(17, true));
  out->setFocusPolicy(Qt::NoFocus);
  return out;
}

Label* figureLabel(const QString& name, int pixels, bool bold) {
  auto* out = new Label;
  out->setAccessibleName(name);
  out->setFont(look::text(pixels, bold));
  return out;
}

}  // namespace pp

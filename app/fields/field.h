// A one-line field for a length or other value, with its problem shown in place.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <functional>

#include "core/length/length.h"
#include "core/result/result.h"

namespace pp {

// Text that is shown as it is, whatever it looks like: names are nobody's markup.
class Label : public QLabel {
 public:
  explicit Label(const QString& text = {}, QWidget* parent = nullptr) : QLabel(parent) {
    setTextFormat(Qt::PlainText);
    setText(text);
  }
};

// For the text of buttons and menus, where a single & would underline the next letter.
QString unmarked(QString text);
// For tool tips, which take what looks like markup for it.
QString plainTip(const QString& text);

// The line beneath a form where what is wrong is said; empty and out of the way otherwise.
class ProblemLine : public QLabel {
  Q_OBJECT
 public:
  explicit ProblemLine(QWidget* parent = nullptr);
  void show(const Problems& problems);
  void clear();
};

}  // namespace pp

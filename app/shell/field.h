// A one-line field for a length or other value, with its problem shown in place.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <functional>

#include "core/length/length.h"
#include "core/result/result.h"

namespace pp {

// The line beneath a form where what is wrong is said; empty and out of the way otherwise.
class ProblemLine : public QLabel {
  Q_OBJECT
 public:
  explicit ProblemLine(QWidget* parent = nullptr);
  void show(const Problems& problems);
  void clear();
};

}  // namespace pp

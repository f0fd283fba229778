// What is pointed at on any stage, and the length the tape shows for it.
#pragma once

#include <QObject>
#include <QString>
#include <optional>
#include <string>

#include "core/designs/opening.h"
#include "core/job/part_key.h"

namespace pp {

struct Selection {
  std::string assembly;  // code, empty: none
  std::optional<OpeningPath> opening;
  std::string part;  // code, empty: none
  // Of the parts that share that code this one alone.
  std::optional<PartKey> piece = {};
};

class Pointing : public QObject {
  Q_OBJECT
 public:
  using QObject::QObject;

  const Selection& selection() const { return selection_; }
  void select(Selection selection) {
    selection_ = std::move(selection);
    emit selectionChanged();
  }
  // The length the tape shows, with the words for it.
  void measure(const QString& what, Length length) {
    what_ = what;
    length_ = length;
    emit measuredChanged();
  }
  const QString& measuredWhat() const { return what_; }
  Length measured() const { return length_; }

 signals:
  void selectionChanged();
  void measuredChanged();

 private:
  Selection selection_;
  QString what_;
  Length length_ = Length::mm(600);
};

}  // namespace pp

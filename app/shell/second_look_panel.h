// What the program points at, most expensive mistake first; gone when there is nothing.
#pragma once

#include <QScrollArea>

#include "app/session/later.h"
#include "app/session/session.h"

namespace pp {

class SecondLookPanel : public QScrollArea {
  Q_OBJECT
 public:
  explicit SecondLookPanel(Session& session, QWidget* parent = nullptr);
  // Does the first fix there is, as its key does.
  void fixFirst();

 signals:
  void jump(const pp::Place& place);

 private:
  void follow();
  QWidget* card(const Finding& finding);
  void fix(const Finding& finding);
  Session& session_;
  Later later_;
  std::vector<QString> shown_;  // what the cards say
};

}  // namespace pp

// Says which parts are another size after a change: how many, the first of them, all in a tip.
#pragma once

#include <memory>

#include "app/fields/field.h"
#include "app/session/session.h"

namespace pp {

class ChangedParts : public Label {
  Q_OBJECT
 public:
  explicit ChangedParts(Session& session, QWidget* parent = nullptr);
  // Told by the stage, once an edit. What changed while the stage was not shown was not changed
  // there.
  void follow();
  void forget();

 private:
  Session& session_;
  bool seen_ = false;                      // since the stage was last entered
  std::shared_ptr<const Breakdown> last_;  // as the parts were when changes were last said
};

}  // namespace pp

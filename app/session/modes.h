// What the user is in the middle of: a panel that is dragged, a question that is asked, a word
// being typed, a part that waits for the one to swap it with. At most one at a time; it is
// withdrawn here, and only here, when what it is about changes.
#pragma once

#include <functional>

namespace pp {

class Modes {
 public:
  enum class About {
    Drawing,  // the job and what is selected in it
    Plan      // the plan that is shown, and so the job too
  };

  // Begins a mode of `owner`; the one before is withdrawn. `withdraw` puts everything of it away
  // and is called once, also when the owner ends the mode. An owner ends its mode before it goes.
  void begin(const void* owner, About about, std::function<void()> withdraw);
  // Ends the mode if it is that owner's.
  void end(const void* owner);
  bool isIn(const void* owner) const { return withdraw_ && owner_ == owner; }

  // Told by the session, after the change.
  void jobChanged() { withdraw(); }
  void selectionChanged() { endIf(About::Drawing); }
  void planChanged() { endIf(About::Plan); }

 private:
  void endIf(About about);
  void withdraw();

  const void* owner_ = nullptr;
  About about_ = About::Drawing;
  std::function<void()> withdraw_;
};

}  // namespace pp

#include "app/session/modes.h"

#include <utility>

namespace pp {

void Modes::begin(const void* owner, About about, std::function<void()> withdraw) {
  this->withdraw();
  owner_ = owner;
  about_ = about;
  withdraw_ = std::move(withdraw);
}

void Modes::end(const void* owner) {
  if (owner_ == owner) withdraw();
}

void Modes::endIf(About about) {
  if (about_ == about) withdraw();
}

void Modes::withdraw() {
  owner_ = nullptr;
  if (const auto withdraw = std::exchange(withdraw_, nullptr)) withdraw();
}

}  // namespace pp

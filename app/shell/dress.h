// Colours and fonts of the whole program.
#pragma once

namespace pp {

// Call once after the application exists.
void dressUp();

}  // namespace pp

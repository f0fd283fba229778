// What is read from two metres and pressed with gloves: figures and buttons of the Saw and the
// Bench.
#pragma once

#include <QPushButton>

#include "app/fields/field.h"

namespace pp {

constexpr int kLargeButton = 48;  // pixels high
constexpr int kTwoMetres = 72;    // pixels: read from there

// Takes no keyboard: that stays with the step.
QPushButton* largeButton(const QString& words, const QString& name);
Label* figureLabel(const QString& name, int pixels, bool bold);

}  // namespace pp

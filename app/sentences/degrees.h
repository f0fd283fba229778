// Angles in sentences.
#pragma once

#include "app/sentences/writer.h"

namespace pp {

// "12.5" or "12 1/2" degrees.
inline Problems setDegrees(const QString& text, const std::function<void(Angle)>& set) {
  bool good = false;
  const double degrees = text.trimmed().remove(QChar(0xB0)).toDouble(&good);
  constexpr double kMillidegrees = 1000;
  if (!good || degrees < -90 || degrees > 90)
    return {{{}, 0, "angle", "'" + text.toStdString() + "'", "degrees, such as 10 or 12.5"}};
  set(Angle::millidegrees(qRound64(degrees * kMillidegrees)));
  return {};
}

inline QString degreesText(Angle angle) {
  constexpr double kMillidegrees = 1000;
  return QString::number(static_cast<double>(angle.inMillidegrees()) / kMillidegrees) + QChar(0xB0);
}

}  // namespace pp

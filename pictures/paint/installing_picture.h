// What is carried to the place and set there, in words, and where it stands.
#pragma once

#include <QPainter>
#include <QStringList>

#include "core/assembly/installing.h"
#include "core/length/format.h"

namespace pp {

// "B1, case", "G1, base", "B2-08, door"
QString carriedWords(const bench::Carried& one, const std::vector<bench::Pieces>& pieces);
// "890 × 600 × 750 mm, 28.5 kg a piece": width, depth and height as it stands.
QString loadWords(const bench::Carried& one, const LengthStyle& style);
// How it is carried.
QString carryWords(const bench::Carried& one);
// What is done with it in its place, a line each, and what wants care.
QStringList placeWords(const bench::Carried& one, const std::vector<bench::Pieces>& pieces,
                       const LengthStyle& style);
QStringList placeCautions(const bench::Carried& one);

// All that stands there, with this dark.
void paintCarried(QPainter& painter, const QRectF& room, const bench::Carried& one,
                  const std::vector<bench::UnitOrder>& order,
                  const std::vector<bench::Pieces>& pieces, const Job& job);

}  // namespace pp

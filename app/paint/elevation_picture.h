// The front view of a carcass to scale, and which opening lies under a point of it.
#pragma once

#include <QPainter>
#include <optional>

#include "app/paint/wood.h"
#include "core/breakdown/layout.h"

namespace pp {

struct ElevationPicture {
  const Job* job = nullptr;
  const Assembly* assembly = nullptr;
  const CarcassLayout* layout = nullptr;
  std::optional<OpeningPath> selected;

  // Where the carcass lies when drawn into `room`, dimension lines included.
  Mapping mapping(const QRectF& room) const;
  void paint(QPainter& painter, const QRectF& room) const;
  std::optional<OpeningPath> openingAt(const QPointF& point, const QRectF& room) const;
};

}  // namespace pp

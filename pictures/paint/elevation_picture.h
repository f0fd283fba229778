// The front view of a carcass to scale, and which opening or panel lies under a point of it.
#pragma once

#include <QPainter>
#include <optional>

#include "core/kinds/carcass/layout.h"
#include "pictures/paint/wood.h"

namespace pp {

struct ElevationPicture {
  const Job* job = nullptr;
  const Assembly* assembly = nullptr;
  const CarcassLayout* layout = nullptr;
  std::optional<OpeningPath> selected;
  std::optional<std::size_t> chosen;  // a panel of the layout

  // Where the carcass lies when drawn into `room`, dimension lines included.
  Mapping mapping(const QRectF& room) const;
  void paint(QPainter& painter, const QRectF& room) const;
  std::optional<OpeningPath> openingAt(const QPointF& point, const QRectF& room) const;
  // A divider or fixed shelf that can be dragged, within a few pixels; an index into the layout's
  // panels.
  std::optional<std::size_t> panelAt(const QPointF& point, const QRectF& room) const;
  // Any panel that is seen there.
  std::optional<std::size_t> anyPanelAt(const QPointF& point, const QRectF& room) const;
};

}  // namespace pp

// A sheet with its parts, as wood seen from above.
#pragma once

#include <QPainter>
#include <optional>

#include "core/parts/part.h"
#include "core/plan/plan.h"
#include "pictures/paint/wood.h"

namespace pp {

struct SheetPicture {
  const Job* job = nullptr;
  const std::vector<Part>* parts = nullptr;  // in the order of the request's parts
  const NestRequest* request = nullptr;
  const PlannedSheet* sheet = nullptr;
  std::string name;
  std::optional<std::size_t> selected;  // index into the sheet's placements

  // Where the sheet lies when drawn into `room` below its title.
  Mapping mapping(const QRectF& room) const;
  void paint(QPainter& painter, const QRectF& room) const;
  std::optional<std::size_t> placementAt(const QPointF& point, const QRectF& room) const;
  QString title() const;
  static constexpr double kTitle = 24;
};

}  // namespace pp

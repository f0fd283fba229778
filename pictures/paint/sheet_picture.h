// A sheet with its parts, as wood seen from above.
#pragma once

#include <QPainter>
#include <optional>

#include "core/parts/part.h"
#include "core/plan/plan.h"
#include "core/saw/playback.h"
#include "pictures/paint/sheet_labels.h"
#include "pictures/paint/wood.h"

namespace pp {

// A cut on the sheet with its number, where there is room for that.
struct CutMark {
  int step = 0;
  bool last = false;  // of those that are drawn
  QRectF blade;
  QRectF tag;  // null: no room
};

struct SheetPicture {
  const Job* job = nullptr;
  const std::vector<Part>* parts = nullptr;  // in the order of the request's parts
  const NestRequest* request = nullptr;
  const PlannedSheet* sheet = nullptr;
  std::size_t index = 0;  // of the sheet in its plan
  std::string name;
  std::optional<std::size_t> selected;  // index into the sheet's placements
  // All cuts of the plan and how many of them are drawn; null: none.
  const std::vector<saw::MadeCut>* cuts = nullptr;
  std::size_t cutsShown = 0;

  // How large the picture is at so many pixels a millimetre.
  QSizeF sizeAt(double scale) const;
  // Where the sheet lies when drawn into `room` below its title.
  Mapping mapping(const QRectF& room) const;
  // Placements first, then leftovers.
  std::vector<SheetLabel> labels(const Mapping& map) const;
  // Their numbers keep clear of the labels.
  std::vector<CutMark> cutMarks(const Mapping& map, const std::vector<SheetLabel>& labels) const;
  void paint(QPainter& painter, const QRectF& room) const;
  std::optional<std::size_t> placementAt(const QPointF& point, const QRectF& room) const;
  QString title() const;
  static constexpr double kTitle = 24;

 private:
  std::vector<LabelWanted> wanted(const Mapping& map) const;
};

}  // namespace pp

// An assembly in space, seen along parallel lines from any side, whole or drawn apart. Hidden
// surfaces are hidden by depth, pixel by pixel.
#pragma once

#include <QImage>
#include <QPainter>
#include <optional>

#include "core/breakdown/breakdown.h"
#include "core/parts/solid.h"

namespace pp {

// What is to be seen: every copy of every part where it stands. Built once for a break-down.
struct SolidScene {
  struct Body {
    QString code;
    QColor colour;
    std::vector<Convex> pieces;
    Vec low, high;
    Vec middle() const { return 0.5 * (low + high); }
  };
  std::vector<Body> bodies;
  Vec low, high;
  bool empty() const { return bodies.empty(); }
};

// A part where it stands, moved by `shift`, under that code.
void addBody(SolidScene& scene, const Job& job, const Part& part, const Pose& pose,
             const QString& code, Vec shift);

// The parts of an assembly; of a group also those of its members, where they stand.
SolidScene sceneOf(const Job& job, const Assembly& assembly, const Breakdown& breakdown);
// The same, but of boxes that are all alike only one, so that the sizes drawn are its own.
SolidScene sceneOfOne(const Job& job, const Assembly& assembly, const Breakdown& breakdown);

// What lies nearer than a plane is cut away; the plane's normal points to what goes.
using Section = std::optional<Plane>;

struct SolidView {
  double turn = -35;     // degrees round the upright axis
  double tilt = 25;      // degrees from above the level
  double apart = 0;      // 0 assembled; 1 drawn apart
  QString selected;      // code of a part that is shown in slate
  bool goesIn = false;   // or in its wood with red lines, and all else in light pencil
  bool codes = false;    // written on the bodies that are seen
  bool onWhite = false;  // for print
  Section section;
};

class SolidPicture {
 public:
  explicit SolidPicture(const SolidScene& scene) : scene_(scene) {}

  // Fits the scene into `room`.
  void paint(QPainter& painter, const QRectF& room, const SolidView& view) const;
  // The code of the part seen at a point, or empty.
  QString codeAt(const QPointF& point, const QRectF& room, const SolidView& view) const;
  // The outer sizes below and at the left, for a view straight along an axis.
  void paintSizes(QPainter& painter, const QRectF& room, const SolidView& view,
                  const LengthStyle& style, double away) const;
  // Where a point in space comes to lie.
  QPointF place(Vec point, const QRectF& room, const SolidView& view) const;

 private:
  const SolidScene& scene_;
};

}  // namespace pp

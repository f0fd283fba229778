#include "pictures/paint/solid_picture.h"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "core/breakdown/placed.h"
#include "core/kinds/base_frame/rules.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/kind.h"
#include "core/kinds/platform/rules.h"
#include "core/kinds/ring/rules.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/top/rules.h"
#include "core/kinds/wall_panel/rules.h"
#include "core/parts/way.h"
#include "pictures/paint/dimension.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "pictures/paint/wood.h"
#include "words/figures.h"

namespace pp {
namespace {

constexpr double kSolidMargin = 10;

// Seen along parallel lines: x to the right and y down the picture, z towards the eye.
class Camera {
 public:
  Camera(const SolidScene& scene, const QRectF& room, const SolidView& view) {
    const double turn = view.turn * std::numbers::pi / 180;
    const double tilt = view.tilt * std::numbers::pi / 180;
    right_ = {std::cos(turn), -std::sin(turn), 0};
    const Vec level{std::sin(turn), std::cos(turn), 0};  // away from the eye
    up_ = {std::sin(tilt) * level.x, std::sin(tilt) * level.y, std::cos(tilt)};
    towards_ = {-std::cos(tilt) * level.x, -std::cos(tilt) * level.y, std::sin(tilt)};
    middle_ = 0.5 * (scene.low + scene.high);
    apart_ = view.apart;
    double left = 0, top = 0, last = 0, bottom = 0;
    bool first = true;
    for (const SolidScene::Body& body : scene.bodies) {
      const Vec shift = shiftOf(body);
      for (const Convex& piece : body.pieces)
        for (const auto& face : piece.faces)
          for (const Vec& p : face) {
            const double x = dot(p + shift, right_);
            const double y = -dot(p + shift, up_);
            left = first ? x : std::min(left, x);
            last = first ? x : std::max(last, x);
            top = first ? y : std::min(top, y);
            bottom = first ? y : std::max(bottom, y);
            first = false;
          }
    }
    const QRectF inner = room.adjusted(kSolidMargin, kSolidMargin, -kSolidMargin, -kSolidMargin);
    scale_ = std::min(inner.width() / std::max(1.0, last - left),
                      inner.height() / std::max(1.0, bottom - top));
    origin_ = inner.center() - scale_ * QPointF((left + last) / 2, (top + bottom) / 2);
  }

  // Drawn apart, every body moves away from the middle along each axis.
  Vec shiftOf(const SolidScene::Body& body) const {
    constexpr double kSpread = 0.6;
    const Vec away = body.middle() - middle_;
    return (apart_ * kSpread) * away;
  }
  Vec see(Vec p) const {
    return {origin_.x() + scale_ * dot(p, right_), origin_.y() - scale_ * dot(p, up_),
            scale_ * dot(p, towards_)};
  }
  Vec towards() const { return towards_; }
  Vec right() const { return right_; }
  Vec up() const { return up_; }

 private:
  Vec right_, up_, towards_, middle_;
  double scale_ = 1;
  double apart_ = 0;
  QPointF origin_;
};

// A picture with the depth of every pixel and the surface that is seen there: a plane of a body.
class Canvas {
 public:
  Canvas(int width, int height, const QColor& ground)
      : image_(width, height, QImage::Format_RGB32),
        width_(width),
        height_(height),
        depth_(static_cast<std::size_t>(width) * static_cast<std::size_t>(height),
               -std::numeric_limits<float>::infinity()),
        surface_(depth_.size(), -1),
        left_(static_cast<std::size_t>(height)),
        right_(left_.size()) {
    image_.fill(ground);
    pixels_ = reinterpret_cast<QRgb*>(image_.bits());
    stride_ = static_cast<std::size_t>(image_.bytesPerLine()) / sizeof(QRgb);
  }

  // A convex face: row by row between the two of its edges that the row crosses.
  void fill(const std::vector<Vec>& face, QRgb colour, int surface) {
    // The face's plane: twice its area and its slopes, by Newell's sums.
    double area = 0, slopeX = 0, slopeY = 0;
    double top = height_, bottom = 0;
    for (std::size_t i = 0; i < face.size(); ++i) {
      const Vec& p = face[i];
      const Vec& q = face[(i + 1) % face.size()];
      area += (p.x - q.x) * (p.y + q.y);
      slopeX += (p.y - q.y) * (p.z + q.z);
      slopeY += (p.z - q.z) * (p.x + q.x);
      top = std::min(top, p.y);
      bottom = std::max(bottom, p.y);
    }
    if (std::abs(area) < 1e-9) return;
    const auto dzdx = static_cast<float>(-slopeX / area);
    const auto dzdy = -slopeY / area;
    const int from = std::max(0, static_cast<int>(std::ceil(top - 0.5)));
    const int to = std::min(height_ - 1, static_cast<int>(std::floor(bottom - 0.5)));
    for (int y = from; y <= to; ++y) {
      left_[static_cast<std::size_t>(y)] = static_cast<float>(width_);
      right_[static_cast<std::size_t>(y)] = -1;
    }
    for (std::size_t i = 0; i < face.size(); ++i)
      edge(face[i], face[(i + 1) % face.size()], from, to);
    for (int y = from; y <= to; ++y) {
      const int first =
          std::max(0, static_cast<int>(std::ceil(left_[static_cast<std::size_t>(y)] - 0.5F)));
      const int last = std::min(
          width_ - 1, static_cast<int>(std::floor(right_[static_cast<std::size_t>(y)] - 0.5F)));
      auto z = static_cast<float>(face[0].z + (y + 0.5 - face[0].y) * dzdy) +
               (static_cast<float>(first) + 0.5F - static_cast<float>(face[0].x)) * dzdx;
      float* depth = depth_.data() + at(0, y);
      int* owner = surface_.data() + at(0, y);
      QRgb* pixel = row(y);
      for (int x = first; x <= last; ++x, z += dzdx) {
        if (z <= depth[x]) continue;
        depth[x] = z;
        owner[x] = surface;
        pixel[x] = colour;
      }
    }
  }

  // A line wherever one surface ends and another begins, unless they are `smooth` facets of a curve
  // that meet there.
  template <class Smooth, class Colour>
  void outline(const Colour& colourOf, const Smooth& smooth) {
    const auto edge = [&](std::size_t a, std::size_t b) {
      constexpr float kMeet = 4;  // pixels of depth
      return surface_[a] != surface_[b] &&
             (std::abs(depth_[a] - depth_[b]) > kMeet || !smooth(surface_[a], surface_[b]));
    };
    for (int y = 0; y + 1 < height_; ++y) {
      const std::size_t here = at(0, y);
      const std::size_t below = at(0, y + 1);
      QRgb* pixel = row(y);
      QRgb* next = row(y + 1);
      for (std::size_t x = 0; x + 1 < static_cast<std::size_t>(width_); ++x) {
        if (edge(here + x, here + x + 1))
          pixel[x] = pixel[x + 1] = colourOf(surface_[here + x], surface_[here + x + 1]);
        if (edge(here + x, below + x))
          pixel[x] = next[x] = colourOf(surface_[here + x], surface_[below + x]);
      }
    }
  }

  // The surface at a pixel; -1 for none.
  int surfaceAt(int x, int y) const {
    return x < 0 || y < 0 || x >= width_ || y >= height_ ? -1 : surface_[at(x, y)];
  }
  const QImage& image() const { return image_; }

 private:
  std::size_t at(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) +
           static_cast<std::size_t>(x);
  }
  QRgb* row(int y) { return pixels_ + static_cast<std::size_t>(y) * stride_; }

  // Where an edge crosses the middle of each row.
  void edge(const Vec& p, const Vec& q, int from, int to) {
    const Vec& high = p.y <= q.y ? p : q;
    const Vec& low = p.y <= q.y ? q : p;
    const int first = std::max(from, static_cast<int>(std::ceil(high.y - 0.5)));
    const int last = std::min(to, static_cast<int>(std::ceil(low.y - 0.5)) - 1);
    if (first > last) return;
    const double slope = (low.x - high.x) / (low.y - high.y);
    double x = high.x + (first + 0.5 - high.y) * slope;
    for (int y = first; y <= last; ++y, x += slope) {
      const auto i = static_cast<std::size_t>(y);
      left_[i] = std::min(left_[i], static_cast<float>(x));
      right_[i] = std::max(right_[i], static_cast<float>(x));
    }
  }

  QImage image_;
  QRgb* pixels_;
  std::size_t stride_;
  int width_, height_;
  std::vector<float> depth_;
  std::vector<int> surface_;
  std::vector<float> left_, right_;  // of the face that is filled, by row
};

// Wood that is cut through is drawn darker than any face.
constexpr int kCutThrough = 165;

bool liesOn(const std::vector<Vec>& face, const Plane& plane) {
  constexpr double kNear = 1e-6;
  return std::all_of(face.begin(), face.end(), [&plane](Vec p) {
    return std::abs(dot(plane.normal, p) - plane.distance) < kNear;
  });
}

// The planes of the bodies that are drawn. Boards are cut into convex pieces, and faces of one body
// in one plane are one surface.
class Surfaces {
 public:
  void begin(int body) {
    body_ = body;
    first_ = planes_.size();
  }
  int find(Vec normal, double distance) {
    constexpr double kNear = 1e-4;
    const auto alike = [&](const Plane& p) {
      const Vec off = p.normal - normal;
      return std::abs(p.distance - distance) < kNear && dot(off, off) < kNear * kNear;
    };
    const auto at =
        std::find_if(planes_.begin() + static_cast<std::ptrdiff_t>(first_), planes_.end(), alike);
    if (at != planes_.end()) return static_cast<int>(at - planes_.begin());
    planes_.push_back({normal, distance});
    bodies_.push_back(body_);
    return static_cast<int>(planes_.size()) - 1;
  }
  // Of one body, and at an angle that only the facets of a curve have.
  bool smooth(int a, int b) const {
    constexpr double kCosine20 = 0.94;
    return bodyOf(a) == bodyOf(b) && a >= 0 &&
           dot(planes_[static_cast<std::size_t>(a)].normal,
               planes_[static_cast<std::size_t>(b)].normal) > kCosine20;
  }
  int bodyOf(int surface) const {
    return surface < 0 ? -1 : bodies_[static_cast<std::size_t>(surface)];
  }

 private:
  std::vector<Plane> planes_;
  std::vector<int> bodies_;
  std::size_t first_ = 0;
  int body_ = 0;
};

struct SolidDrawing {
  Canvas canvas;
  Surfaces surfaces;
  int bodyAt(double x, double y) const {
    return surfaces.bodyOf(canvas.surfaceAt(static_cast<int>(x), static_cast<int>(y)));
  }
};

SolidDrawing drawn(const SolidScene& scene, const QSizeF& size, const SolidView& view) {
  const Camera camera(scene, QRectF({0, 0}, size), view);
  SolidDrawing out{Canvas(std::max(1, qRound(size.width())), std::max(1, qRound(size.height())),
                          view.onWhite ? QColor(Qt::white) : look::kPaper),
                   {}};
  std::vector<Vec> seen;
  for (std::size_t i = 0; i < scene.bodies.size(); ++i) {
    const SolidScene::Body& body = scene.bodies[i];
    out.surfaces.begin(static_cast<int>(i));
    const Vec shift = camera.shiftOf(body);
    const bool isSelected = !view.selected.isEmpty() && body.code == view.selected;
    const QColor base = view.goesIn  ? (isSelected ? body.colour : look::kCard)
                        : isSelected ? look::kSlate
                                     : body.colour;
    for (const Convex& whole : body.pieces) {
      const Convex piece = view.section ? clipped(whole, *view.section) : whole;
      for (const std::vector<Vec>& face : piece.faces) {
        const auto [normal, distance] = planeOf(face);
        if (dot(normal, camera.towards()) <= 0) continue;
        // Paper tones: what lies level is lightest, what faces sideways darkest.
        const bool isFaint = view.goesIn && !isSelected;
        const int sideways =
            std::abs(normal.x) > std::abs(normal.y) ? (isFaint ? 7 : 22) : (isFaint ? 3 : 8);
        const int light = 100 + (std::abs(normal.z) < 0.5 ? sideways : 0);
        const int tone = view.section && liesOn(face, *view.section) ? kCutThrough : light;
        seen.clear();
        for (const Vec& p : face) seen.push_back(camera.see(p + shift));
        out.canvas.fill(seen, base.darker(tone).rgb(), out.surfaces.find(normal, distance));
      }
    }
  }
  const auto isSelected = [&](int surface) {
    const int body = out.surfaces.bodyOf(surface);
    return body >= 0 && scene.bodies[static_cast<std::size_t>(body)].code == view.selected;
  };
  const auto colourOf = [&](int a, int b) {
    if (!view.goesIn) return look::kGraphite.rgb();
    return (isSelected(a) || isSelected(b) ? look::kRed : look::kFaint).rgb();
  };
  out.canvas.outline(colourOf, [&out](int a, int b) { return out.surfaces.smooth(a, b); });
  return out;
}

void add(SolidScene& scene, const Job& job, const Breakdown& breakdown) {
  for (const Part& part : breakdown.parts)
    for (const Pose& pose : part.poses) addBody(scene, job, part, pose, qs(part.code), {});
}

}  // namespace

SolidScene sceneOfOne(const Job& job, const Assembly& assembly, const Breakdown& breakdown) {
  if (kindOf(assembly).installing.carried != CarriedAs::Boxes)
    return sceneOf(job, assembly, breakdown);
  Breakdown one;
  for (const Part& part : breakdown.parts)
    if (part.assembly == assembly.code && !part.poses.empty()) {
      one.parts.push_back(part);
      one.parts.back().poses.resize(1);
    }
  return sceneOf(job, assembly, one);
}

void addBody(SolidScene& scene, const Job& job, const Part& part, const Pose& pose,
             const QString& code, Vec shift) {
  const Material* material = findMaterial(job, part.material);
  SolidScene::Body body;
  body.code = code;
  body.colour = woodColour(material == nullptr ? Tone::Birch : material->tone);
  body.pieces = solidOf(part, pose);
  if (body.pieces.empty()) return;
  Room room;
  for (Convex& piece : body.pieces)
    for (std::vector<Vec>& face : piece.faces)
      for (Vec& p : face) {
        p = p + shift;
        room.take(p);
      }
  body.low = room.low;
  body.high = room.high;
  if (!scene.bodies.empty()) room.take(Room{scene.low, scene.high});
  scene.low = room.low;
  scene.high = room.high;
  scene.bodies.push_back(std::move(body));
}

SolidScene sceneOf(const Job& job, const Assembly& assembly, const Breakdown& breakdown) {
  SolidScene out;
  Breakdown one;
  one.parts = partsInPlace(job, breakdown, assembly);
  add(out, job, one);
  return out;
}

void SolidPicture::paint(QPainter& painter, const QRectF& room, const SolidView& view) const {
  if (scene_.empty()) return;
  // Finer than the screen and then drawn down, so that slanting edges are smooth; filling pixels is
  // most of the time it takes.
  constexpr double kLarge = 200'000;
  const double finer = room.width() * room.height() > kLarge ? 1.5 : 2;
  const double ratio = finer * painter.device()->devicePixelRatioF();
  const SolidDrawing drawing = drawn(scene_, room.size() * ratio, view);
  const QImage& image = drawing.canvas.image();
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.drawImage(room, image, QRectF(QPointF(), QSizeF(image.size())));
  if (!view.codes) return;
  const Camera camera(scene_, {{0, 0}, room.size()}, view);
  painter.setFont(look::text(look::kLeast));
  const QFontMetricsF metrics(painter.font());
  std::vector<QRectF> taken;
  for (std::size_t i = 0; i < scene_.bodies.size(); ++i) {
    const SolidScene::Body& body = scene_.bodies[i];
    const Vec at = camera.see(body.middle() + camera.shiftOf(body));
    // Only where the body itself is seen, and not over another code.
    if (drawing.bodyAt(at.x * ratio, at.y * ratio) != static_cast<int>(i)) continue;
    const QSizeF size(metrics.horizontalAdvance(body.code) + 6, metrics.height());
    const QRectF box(room.topLeft() + QPointF(at.x - size.width() / 2, at.y - size.height() / 2),
                     size);
    if (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
      continue;
    taken.push_back(box);
    painter.fillRect(box, look::kCard);
    painter.setPen(look::kGraphite);
    drawText(painter, box, Qt::AlignCenter, body.code);
  }
}

QString SolidPicture::codeAt(const QPointF& point, const QRectF& room,
                             const SolidView& view) const {
  if (scene_.empty() || !room.contains(point)) return {};
  const SolidDrawing drawing = drawn(scene_, room.size(), view);
  const QPointF p = point - room.topLeft();
  const int body = drawing.bodyAt(p.x(), p.y());
  return body < 0 ? QString() : scene_.bodies[static_cast<std::size_t>(body)].code;
}

void SolidPicture::paintSizes(QPainter& painter, const QRectF& room, const SolidView& view,
                              const LengthStyle& style, double away) const {
  const Camera camera(scene_, {{0, 0}, room.size()}, view);
  const QRectF seen =
      QRectF(place(scene_.low, room, view), place(scene_.high, room, view)).normalized();
  const auto show = [&](Vec along) {
    constexpr double kNm = 1e6;
    const double mm = std::abs(dot(scene_.high - scene_.low, along));
    return figure(Length::nm(qRound64(mm * kNm)), style);
  };
  painter.setRenderHint(QPainter::Antialiasing);
  const double below = seen.bottom() + away;
  const double left = seen.left() - away;
  paintDimension(painter, {seen.left(), below}, {seen.right(), below}, show(camera.right()));
  paintDimension(painter, {left, seen.bottom()}, {left, seen.top()}, show(camera.up()));
}

QPointF SolidPicture::place(Vec point, const QRectF& room, const SolidView& view) const {
  const Vec at = Camera(scene_, {{0, 0}, room.size()}, view).see(point);
  return room.topLeft() + QPointF(at.x, at.y);
}

}  // namespace pp

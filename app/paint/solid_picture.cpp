#include "app/paint/solid_picture.h"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "app/paint/figures.h"
#include "app/paint/look.h"
#include "app/paint/wood.h"
#include "core/breakdown/kinds.h"

namespace pp {
namespace {

constexpr double kMargin = 10;

// Seen along parallel lines: x to the right and y down the picture, z towards the eye.
class Camera {
 public:
  Camera(const SolidScene& scene, const QRectF& room, const SolidView& view) : scene_(scene) {
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
    const QRectF inner = room.adjusted(kMargin, kMargin, -kMargin, -kMargin);
    scale_ = std::min(inner.width() / std::max(1.0, last - left),
                      inner.height() / std::max(1.0, bottom - top));
    origin_ = inner.center() - scale_ * QPointF((left + last) / 2, (top + bottom) / 2);
  }

  // Drawn apart, every body moves away from the middle along each axis.
  Vec shiftOf(const SolidScene::Body& body) const {
    constexpr double kSpread = 0.6;
    const Vec away = body.middle - middle_;
    return (apart_ * kSpread) * away;
  }
  Vec see(Vec p) const {
    return {origin_.x() + scale_ * dot(p, right_), origin_.y() - scale_ * dot(p, up_),
            scale_ * dot(p, towards_)};
  }
  Vec towards() const { return towards_; }

 private:
  const SolidScene& scene_;
  Vec right_, up_, towards_, middle_;
  double scale_ = 1;
  double apart_ = 0;
  QPointF origin_;
};

// A picture with the depth of every pixel and whose body it is.
class Canvas {
 public:
  Canvas(int width, int height)
      : image_(width, height, QImage::Format_RGB32),
        width_(width),
        height_(height),
        depth_(static_cast<std::size_t>(width) * static_cast<std::size_t>(height),
               -std::numeric_limits<float>::infinity()),
        body_(depth_.size(), -1) {
    image_.fill(look::kPaper);
  }

  void fill(const std::vector<Vec>& face, QRgb colour, int body) {
    for (std::size_t i = 1; i + 1 < face.size(); ++i)
      triangle(face[0], face[i], face[i + 1], colour, body);
  }

  // An edge, where nothing stands before it.
  void line(Vec a, Vec b, QRgb colour) {
    const double length = std::max(std::abs(b.x - a.x), std::abs(b.y - a.y));
    const int steps = static_cast<int>(std::ceil(length)) + 1;
    constexpr double kBias = 2.5;  // pixels: the edge's own faces must not hide it
    for (int i = 0; i <= steps; ++i) {
      const double t = static_cast<double>(i) / steps;
      const int x = static_cast<int>(std::floor(a.x + t * (b.x - a.x)));
      const int y = static_cast<int>(std::floor(a.y + t * (b.y - a.y)));
      if (x < 0 || y < 0 || x >= width_ || y >= height_) continue;
      const double z = a.z + t * (b.z - a.z);
      for (const auto& [dx, dy] : {std::pair{0, 0}, {1, 0}, {0, 1}, {1, 1}})
        if (x + dx < width_ && y + dy < height_ && z + kBias >= depth_[at(x + dx, y + dy)])
          row(y + dy)[x + dx] = colour;
    }
  }

  int bodyAt(int x, int y) const {
    return x < 0 || y < 0 || x >= width_ || y >= height_ ? -1 : body_[at(x, y)];
  }
  const QImage& image() const { return image_; }

 private:
  std::size_t at(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) +
           static_cast<std::size_t>(x);
  }
  QRgb* row(int y) { return reinterpret_cast<QRgb*>(image_.scanLine(y)); }

  void triangle(Vec a, Vec b, Vec c, QRgb colour, int body) {
    const double area = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
    if (std::abs(area) < 1e-9) return;
    const int top = std::max(0, static_cast<int>(std::floor(std::min({a.y, b.y, c.y}))));
    const int bottom =
        std::min(height_ - 1, static_cast<int>(std::ceil(std::max({a.y, b.y, c.y}))));
    // Depth is linear over the triangle.
    const double dzdx = ((b.z - a.z) * (c.y - a.y) - (c.z - a.z) * (b.y - a.y)) / area;
    const double dzdy = ((c.z - a.z) * (b.x - a.x) - (b.z - a.z) * (c.x - a.x)) / area;
    for (int y = top; y <= bottom; ++y) {
      const double cy = y + 0.5;
      double left = width_, right = -1;
      const auto cross = [&](Vec p, Vec q) {
        if ((p.y <= cy) == (q.y <= cy)) return;
        const double x = p.x + (cy - p.y) / (q.y - p.y) * (q.x - p.x);
        left = std::min(left, x);
        right = std::max(right, x);
      };
      cross(a, b);
      cross(b, c);
      cross(c, a);
      const int from = std::max(0, static_cast<int>(std::ceil(left - 0.5)));
      const int to = std::min(width_ - 1, static_cast<int>(std::floor(right - 0.5)));
      double z = a.z + (from + 0.5 - a.x) * dzdx + (cy - a.y) * dzdy;
      for (int x = from; x <= to; ++x, z += dzdx) {
        float& known = depth_[at(x, y)];
        if (static_cast<float>(z) <= known) continue;
        known = static_cast<float>(z);
        body_[at(x, y)] = body;
        row(y)[x] = colour;
      }
    }
  }

  QImage image_;
  int width_, height_;
  std::vector<float> depth_;
  std::vector<int> body_;
};

// Wood that is cut through is drawn darker than any face.
constexpr int kCutThrough = 165;

bool liesOn(const std::vector<Vec>& face, const Plane& plane) {
  constexpr double kNear = 1e-6;
  return std::all_of(face.begin(), face.end(), [&plane](Vec p) {
    return std::abs(dot(plane.normal, p) - plane.distance) < kNear;
  });
}

Canvas drawn(const SolidScene& scene, const QSizeF& size, const SolidView& view) {
  const QRectF room({0, 0}, size);
  const Camera camera(scene, room, view);
  Canvas canvas(std::max(1, qRound(size.width())), std::max(1, qRound(size.height())));
  struct Edge {
    Vec a, b;
  };
  std::vector<Edge> edges;
  for (std::size_t i = 0; i < scene.bodies.size(); ++i) {
    const SolidScene::Body& body = scene.bodies[i];
    const Vec shift = camera.shiftOf(body);
    const QColor base =
        !view.selected.isEmpty() && body.code == view.selected ? look::kSlate : body.colour;
    for (const Convex& whole : body.pieces) {
      const Convex piece = view.section ? clipped(whole, *view.section) : whole;
      for (const std::vector<Vec>& face : piece.faces) {
        Vec normal;
        for (std::size_t k = 0; k < face.size(); ++k)
          normal = normal + cross(face[k], face[(k + 1) % face.size()]);
        const double length = std::sqrt(dot(normal, normal));
        if (length <= 0 || dot(normal, camera.towards()) <= 0) continue;
        normal = (1 / length) * normal;
        // Paper tones: what lies level is lightest, what faces sideways darkest.
        const int light =
            100 + static_cast<int>(std::abs(normal.z) < 0.5
                                       ? (std::abs(normal.x) > std::abs(normal.y) ? 22 : 8)
                                       : 0);
        std::vector<Vec> seen;
        for (const Vec& p : face) seen.push_back(camera.see(p + shift));
        const int tone = view.section && liesOn(face, *view.section) ? kCutThrough : light;
        canvas.fill(seen, base.darker(tone).rgb(), static_cast<int>(i));
        for (std::size_t k = 0; k < seen.size(); ++k)
          edges.push_back({seen[k], seen[(k + 1) % seen.size()]});
      }
    }
  }
  const QRgb graphite = look::kGraphite.rgb();
  for (const Edge& edge : edges) canvas.line(edge.a, edge.b, graphite);
  return canvas;
}

void add(SolidScene& scene, const Job& job, const Breakdown& breakdown, double shift) {
  for (const Part& part : breakdown.parts) {
    const Material* material = findMaterial(job, part.material);
    for (const Pose& pose : part.poses) {
      SolidScene::Body body;
      body.code = qs(part.code);
      body.colour = woodColour(material->tone);
      body.pieces = solidOf(part, pose);
      Vec low{1e12, 1e12, 1e12};
      Vec high{-1e12, -1e12, -1e12};
      for (Convex& piece : body.pieces)
        for (std::vector<Vec>& face : piece.faces)
          for (Vec& p : face) {
            p.x += shift;
            low = {std::min(low.x, p.x), std::min(low.y, p.y), std::min(low.z, p.z)};
            high = {std::max(high.x, p.x), std::max(high.y, p.y), std::max(high.z, p.z)};
          }
      if (body.pieces.empty()) continue;
      body.middle = 0.5 * (low + high);
      const bool first = scene.bodies.empty();
      const Vec a = first ? low : scene.low;
      const Vec b = first ? high : scene.high;
      scene.low = {std::min(low.x, a.x), std::min(low.y, a.y), std::min(low.z, a.z)};
      scene.high = {std::max(high.x, b.x), std::max(high.y, b.y), std::max(high.z, b.z)};
      scene.bodies.push_back(std::move(body));
    }
  }
}

}  // namespace

SolidScene sceneOf(const Job& job, const Assembly& assembly, const Breakdown& breakdown) {
  SolidScene out;
  const auto of = [&breakdown](const std::string& code) {
    Breakdown one;
    for (const Part& part : breakdown.parts)
      if (part.assembly == code) one.parts.push_back(part);
    return one;
  };
  add(out, job, of(assembly.code), 0);
  if (const auto* group = std::get_if<CarcassGroup>(&assembly.body))
    for (const std::string& code : group->members)
      add(out, job, of(code), memberOffset(job, *group, code).inMm());
  return out;
}

void SolidPicture::paint(QPainter& painter, const QRectF& room, const SolidView& view) const {
  if (scene_.empty()) return;
  // Twice as fine as the screen and then drawn down, so that slanting edges are smooth.
  constexpr double kFiner = 2;
  const double ratio = kFiner * painter.device()->devicePixelRatioF();
  const Canvas canvas = drawn(scene_, room.size() * ratio, view);
  const QImage& image = canvas.image();
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.drawImage(room, image, QRectF(QPointF(), QSizeF(image.size())));
  if (!view.codes) return;
  const Camera camera(scene_, {{0, 0}, room.size()}, view);
  painter.setFont(look::text(11));
  const QFontMetricsF metrics(painter.font());
  std::vector<QRectF> taken;
  for (std::size_t i = 0; i < scene_.bodies.size(); ++i) {
    const SolidScene::Body& body = scene_.bodies[i];
    const Vec at = camera.see(body.middle + camera.shiftOf(body));
    // Only where the body itself is seen, and not over another code.
    if (canvas.bodyAt(qRound(at.x * ratio), qRound(at.y * ratio)) != static_cast<int>(i)) continue;
    const QSizeF size(metrics.horizontalAdvance(body.code) + 6, metrics.height());
    const QRectF box(room.topLeft() + QPointF(at.x - size.width() / 2, at.y - size.height() / 2),
                     size);
    if (std::any_of(taken.begin(), taken.end(), [&](const QRectF& r) { return r.intersects(box); }))
      continue;
    taken.push_back(box);
    painter.fillRect(box, look::kCard);
    painter.setPen(look::kGraphite);
    painter.drawText(box, Qt::AlignCenter, body.code);
  }
}

QString SolidPicture::codeAt(const QPointF& point, const QRectF& room,
                             const SolidView& view) const {
  if (scene_.empty() || !room.contains(point)) return {};
  const Canvas canvas = drawn(scene_, room.size(), view);
  const QPointF p = point - room.topLeft();
  const int body = canvas.bodyAt(static_cast<int>(p.x()), static_cast<int>(p.y()));
  return body < 0 ? QString() : scene_.bodies[static_cast<std::size_t>(body)].code;
}

QPointF SolidPicture::place(Vec point, const QRectF& room, const SolidView& view) const {
  const Vec at = Camera(scene_, {{0, 0}, room.size()}, view).see(point);
  return room.topLeft() + QPointF(at.x, at.y);
}

}  // namespace pp

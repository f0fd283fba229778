// The elevation on the screen: choose an opening by mouse or arrow keys, act on it by letter keys,
// drag a panel or nudge it. What is no carcass is seen from the front.
#pragma once

#include <QWidget>
#include <optional>

#include "app/session/session.h"
#include "core/breakdown/placed.h"
#include "core/kinds/carcass/layout.h"
#include "pictures/paint/solid_picture.h"

namespace pp {

class ElevationView : public QWidget {
  Q_OBJECT
 public:
  explicit ElevationView(Session& session, QWidget* parent = nullptr);
  // Where an opening or a panel of the layout lies in the widget; empty where it is not drawn.
  QRectF openingRect(const OpeningPath& path) const;
  QRectF panelRect(std::size_t index) const;
  // Says anew what is selected, for those who do not see it.
  void refresh();
  ~ElevationView() override { session_.modes().end(this); }

 signals:
  void letter(int key);  // V, H, D, O, A, T, L, E or X
  void refused(const pp::Problems& problems);

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  void choose(const OpeningPath& path);
  void choosePart(const PartKey& key);
  void stepPart(int by);
  std::optional<std::size_t> panelChosen() const;
  void move(int key);
  void nudge(int key);
  // Moves a panel of the layout right or up by so much.
  void movePanel(std::size_t index, Length by);
  Length step() const;  // the finest fraction that is shown
  const Assembly* assembly() const;
  void paintSolid(QPainter& painter);

  const std::optional<CarcassLayout>& layout() const;
  const SolidScene& scene() const;
  void prepare() const;

  Session& session_;
  // Of the job as it is, made when it is first asked for after a change.
  mutable bool fresh_ = false;
  mutable std::optional<CarcassLayout> layout_;
  mutable std::optional<WallBehind> behind_;
  mutable SolidScene scene_;
  std::optional<std::size_t> dragged_;
  std::optional<std::size_t> pressed_;  // any panel
  QPointF grabbed_;
  Length moved_;
};

}  // namespace pp

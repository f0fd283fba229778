#include "app/stages/draw/elevation_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <utility>

#include "pictures/paint/elevation_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/site_picture.h"
#include "words/figures.h"

namespace pp {

ElevationView::ElevationView(Session& session, QWidget* parent)
    : QWidget(parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(320, 260);
  setAccessibleName(tr("Elevation"));
  const auto change = [this] {
    fresh_ = false;
    update();
  };
  connect(&session_, &Session::changed, this, change);
  connect(&session_.pointing(), &Pointing::selectionChanged, this, change);
}

const Assembly* ElevationView::assembly() const {
  return findAssembly(session_.job(), session_.pointing().selection().assembly);
}

const std::optional<CarcassLayout>& ElevationView::layout() const {
  prepare();
  return layout_;
}

const SolidScene& ElevationView::scene() const {
  prepare();
  return scene_;
}

void ElevationView::prepare() const {
  if (fresh_) return;
  fresh_ = true;
  layout_.reset();
  behind_.reset();
  scene_ = {};
  if (const Assembly* of = assembly()) {
    if (of->isCarcass()) {
      auto layout = layOut(session_.job(), *of);
      if (layout) layout_ = std::move(layout).value();
      behind_ = wallBehind(session_.job(), *of);
    } else {
      scene_ = sceneOfOne(session_.job(), *of, session_.breakdown());
    }
  }
}

void ElevationView::refresh() {
  QString description;
  if (layout() && session_.pointing().selection().opening)
    for (const OpeningRect& leaf : layout_->leaves)
      if (leaf.path == *session_.pointing().selection().opening)
        description = tr("opening %1 wide, %2 high")
                          .arg(qs(format(leaf.rect.width, session_.style())),
                               qs(format(leaf.rect.height, session_.style())));
  for (const Part& part : session_.breakdown().parts)
    if (part.code == session_.pointing().selection().part)
      description = tr("%1 %2").arg(qs(part.code), qs(part.name));
  setAccessibleDescription(description);
  update();
}

QRectF ElevationView::openingRect(const OpeningPath& path) const {
  if (!layout()) return {};
  const ElevationPicture picture{&session_.job(), assembly(), &*layout(), {}, {}};
  const Mapping map = picture.mapping(rect());
  for (const OpeningRect& leaf : layout()->leaves)
    if (leaf.path == path)
      return map.rect(leaf.rect.x, leaf.rect.z, leaf.rect.width, leaf.rect.height);
  return {};
}

QRectF ElevationView::panelRect(std::size_t index) const {
  if (!layout() || index >= layout()->panels.size()) return {};
  const ElevationPicture picture{&session_.job(), assembly(), &*layout(), {}, {}};
  const FrontRect& r = layout()->panels[index].rect;
  return picture.mapping(rect()).rect(r.x, r.z, r.width, r.height);
}

// What is no carcass: seen from the front, with its outer sizes.
void ElevationView::paintSolid(QPainter& painter) {
  constexpr double kRoom = 46;
  const QRectF room = QRectF(rect()).adjusted(kRoom, 16, -16, -kRoom);
  SolidView view;
  view.turn = view.tilt = 0;
  view.selected = qs(session_.pointing().selection().part);
  const SolidPicture picture(scene());
  picture.paint(painter, room, view);
  picture.paintSizes(painter, room, view, session_.style(), 26);
}

void ElevationView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kPaper);
  if (!layout() && !scene().empty()) {
    paintSolid(painter);
  } else if (!layout()) {
    painter.setPen(look::kGraphite);
    painter.setFont(look::text(15));
    painter.drawText(rect(), Qt::AlignCenter,
                     assembly() == nullptr
                         ? tr("Press Add, at the right, to begin with an assembly.")
                         : tr("This cannot be drawn; see the second look."));
    return;
  } else {
    const ElevationPicture picture{&session_.job(), assembly(), &*layout(),
                                   session_.pointing().selection().opening, panelChosen()};
    if (behind_)
      paintWallBehind(painter, picture.mapping(rect()), session_.job().site, behind_->wall,
                      behind_->left, behind_->floor, session_.job().unit);
    picture.paint(painter, rect());
    if (dragged_ && moved_ != Length{}) {
      const Mapping map = picture.mapping(rect());
      const PanelRect& panel = layout()->panels[*dragged_];
      const bool upright = panel.kind == PanelKind::Divider;
      const QRectF ghost = panelRect(*dragged_).translated(upright ? map.size(moved_) : 0,
                                                           upright ? 0 : -map.size(moved_));
      painter.fillRect(ghost, look::kSlate);
      painter.setPen(look::kSlate);
      painter.setFont(look::text(13, true));
      painter.drawText(ghost.center() + QPointF(14, -8),
                       (moved_ > Length{} ? QStringLiteral("+") : QStringLiteral("−")) +
                           figure(moved_ > Length{} ? moved_ : -moved_, session_.style()));
    }
  }
  if (hasFocus()) {
    painter.setPen(QPen(look::kSlate, 1, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(rect().adjusted(1, 1, -2, -2));
  }
}

void ElevationView::choose(const OpeningPath& path) {
  Selection selection = session_.pointing().selection();
  selection.opening = path;
  selection.part.clear();
  selection.piece.reset();
  for (const OpeningRect& leaf : layout()->leaves)
    if (leaf.path == path)
      session_.pointing().measure(tr("clear width of the opening"), leaf.rect.width);
  session_.pointing().select(std::move(selection));
}

void ElevationView::mousePressEvent(QMouseEvent* event) {
  if (!layout()) return;
  const ElevationPicture picture{&session_.job(), assembly(), &*layout(), {}, {}};
  const auto panel = picture.panelAt(event->position(), rect());
  if (event->button() == Qt::LeftButton) pressed_ = picture.anyPanelAt(event->position(), rect());
  if (panel && event->button() == Qt::LeftButton) {
    session_.modes().begin(this, Modes::About::Drawing, [this] {
      dragged_.reset();
      moved_ = Length{};
      update();
    });
    dragged_ = panel;
    grabbed_ = event->position();
    moved_ = Length{};
  }
  if (panel || pressed_) return;
  if (const auto path = picture.openingAt(event->position(), rect())) choose(*path);
}

void ElevationView::mouseMoveEvent(QMouseEvent* event) {
  if (!dragged_ || !layout() || *dragged_ >= layout()->panels.size()) return;
  const ElevationPicture picture{&session_.job(), assembly(), &*layout(), {}, {}};
  const QPointF by = event->position() - grabbed_;
  const bool upright = layout()->panels[*dragged_].kind == PanelKind::Divider;
  const double mm = (upright ? by.x() : -by.y()) / picture.mapping(rect()).scale;
  moved_ = qRound64(mm / step().inMm()) * step();
  update();
}

void ElevationView::mouseReleaseEvent(QMouseEvent*) {
  const std::optional<std::size_t> pressed = std::exchange(pressed_, std::nullopt);
  // Pressed and let go without a move: the panel is meant, not its place.
  if (pressed && moved_ == Length{} && layout() && *pressed < layout()->panels.size()) {
    const PanelRect& panel = layout()->panels[*pressed];
    choosePart({.assembly = assembly()->id, .role = panel.role(), .opening = panel.after});
  }
  if (!dragged_) return;
  const std::size_t panel = *dragged_;
  const Length by = moved_;
  session_.modes().end(this);
  if (by != Length{} && layout()) movePanel(panel, by);
}

Length ElevationView::step() const {
  return session_.job().unit == Unit::Millimetre ? Length::mm(1)
                                                 : Length::in(0, 1, session_.job().fraction);
}

void ElevationView::movePanel(std::size_t index, Length by) {
  session_.finish();
  if (!layout() || index >= layout()->panels.size()) return;
  const PanelRect& panel = layout()->panels[index];
  Assembly edited = *assembly();
  Opening& inside = edited.carcass().inside;
  Opening opening = *pp::find(inside, panel.path);
  auto& split = std::get<Split>(opening.content);
  const bool upright = panel.kind == PanelKind::Divider;
  const std::vector<Length> sizes = sizesAsTyped(*layout(), assembly()->carcass(), panel.path);
  // Shelves are counted from the top: up makes the opening above smaller.
  const auto moved = panelMoved(split, sizes, panel.index, upright ? by : -by);
  if (!moved)
    return emit refused(
        {{{}, 0, "panel", "a place that closes an opening", "one between its neighbours"}});
  split = *moved;
  inside = replaced(inside, panel.path, opening);
  const std::string code = edited.code;
  const Problems problems = session_.editAssembly(tr("move a panel"), code, std::move(edited));
  if (!problems.empty()) emit refused(problems);
}

// The panel to the right of, or under, the opening that is selected; else the one before it.
void ElevationView::nudge(int key) {
  if (!layout() || !session_.pointing().selection().opening) return;
  const bool upright = key == Qt::Key_Left || key == Qt::Key_Right;
  const Length by = key == Qt::Key_Left || key == Qt::Key_Down ? -step() : step();
  const OpeningRect* here = nullptr;
  for (const OpeningRect& leaf : layout()->leaves)
    if (leaf.path == *session_.pointing().selection().opening) here = &leaf;
  if (here == nullptr) return;
  const FrontRect& r = here->rect;
  for (const bool after : {true, false})
    for (std::size_t i = 0; i < layout()->panels.size(); ++i) {
      const PanelRect& panel = layout()->panels[i];
      if (panel.kind != (upright ? PanelKind::Divider : PanelKind::Shelf)) continue;
      const FrontRect& p = panel.rect;
      const bool beside =
          upright ? p.z <= r.z && p.top() >= r.top() : p.x <= r.x && p.right() >= r.right();
      const bool meets = upright ? (after ? p.x == r.right() : p.right() == r.x)
                                 : (after ? p.top() == r.z : p.z == r.top());
      if (beside && meets) return movePanel(i, by);
    }
}

void ElevationView::choosePart(const PartKey& key) {
  Selection selection = session_.pointing().selection();
  selection.part = codeOf(session_.breakdown().parts, key);
  selection.piece = key;
  session_.pointing().select(std::move(selection));
}

// The next part of the assembly, or the one before; the first where none is chosen.
void ElevationView::stepPart(int by) {
  session_.finish();
  const Assembly* of = assembly();
  if (of == nullptr) return;
  std::vector<PartKey> keys;
  std::ptrdiff_t at = -1;
  const Selection& selected = session_.pointing().selection();
  for (const Part& part : session_.breakdown().parts)
    if (part.assembly == of->code)
      for (const PartKey& key : part.keys) {
        if (selected.piece ? key == *selected.piece : at < 0 && part.code == selected.part)
          at = std::ssize(keys);
        keys.push_back(key);
      }
  if (keys.empty()) return;
  const auto n = std::ssize(keys);
  choosePart(keys[static_cast<std::size_t>(at < 0 ? (by > 0 ? 0 : n - 1) : (at + by + n) % n)]);
}

// The panel that is chosen as a part; none where that is no panel.
std::optional<std::size_t> ElevationView::panelChosen() const {
  const Selection& selected = session_.pointing().selection();
  if (selected.part.empty() || !layout()) return std::nullopt;
  for (std::size_t i = 0; i < layout()->panels.size(); ++i) {
    const PanelRect& panel = layout()->panels[i];
    const PartKey key{.assembly = assembly()->id, .role = panel.role(), .opening = panel.after};
    if (selected.piece ? key == *selected.piece
                       : codeOf(session_.breakdown().parts, key) == selected.part)
      return i;
  }
  return std::nullopt;
}

// To the nearest opening in the direction of the arrow.
void ElevationView::move(int key) {
  if (!layout() || layout()->leaves.empty()) return;
  const auto& selected = session_.pointing().selection().opening;
  if (!selected) return choose(layout()->leaves.front().path);
  const QPointF here = openingRect(*selected).center();
  const OpeningRect* best = nullptr;
  double bestDistance = 0;
  for (const OpeningRect& leaf : layout()->leaves) {
    const QPointF d = openingRect(leaf.path).center() - here;
    const double forward = key == Qt::Key_Left    ? -d.x()
                           : key == Qt::Key_Right ? d.x()
                           : key == Qt::Key_Up    ? -d.y()
                                                  : d.y();
    const double aside = key == Qt::Key_Left || key == Qt::Key_Right ? d.y() : d.x();
    if (forward <= 1) continue;
    const double distance = forward + 2 * std::abs(aside);
    if (best == nullptr || distance < bestDistance) best = &leaf, bestDistance = distance;
  }
  if (best != nullptr) choose(best->path);
}

void ElevationView::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right:
    case Qt::Key_Up:
    case Qt::Key_Down:
      return event->modifiers() & Qt::ShiftModifier ? nudge(event->key()) : move(event->key());
    case Qt::Key_P:
      if (event->modifiers() == Qt::NoModifier) return stepPart(1);
      if (event->modifiers() == Qt::ShiftModifier) return stepPart(-1);
      break;
    case Qt::Key_Backspace:
    case Qt::Key_Delete:
      return emit letter(Qt::Key_E);
    case Qt::Key_V:
    case Qt::Key_H:
    case Qt::Key_D:
    case Qt::Key_O:
    case Qt::Key_A:
    case Qt::Key_T:
    case Qt::Key_L:
    case Qt::Key_E:
    case Qt::Key_X:
      if (event->modifiers() == Qt::NoModifier || event->modifiers() == Qt::ShiftModifier)
        return emit letter(event->key());
      break;
    default:
      break;
  }
  QWidget::keyPressEvent(event);
}

// Down and up are this view's own, also where a shortcut of the window would take them.
bool ElevationView::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->modifiers() == Qt::ShiftModifier &&
        (key->key() == Qt::Key_Left || key->key() == Qt::Key_Right || key->key() == Qt::Key_Up ||
         key->key() == Qt::Key_Down)) {
      event->accept();
      return true;
    }
  }
  return QWidget::event(event);
}

}  // namespace pp

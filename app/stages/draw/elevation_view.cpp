#include "app/stages/draw/elevation_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/paint/elevation_picture.h"
#include "app/paint/figures.h"
#include "app/paint/look.h"

namespace pp {

ElevationView::ElevationView(Document& document, QWidget* parent)
    : QWidget(parent), document_(document) {
  setFocusPolicy(Qt::StrongFocus);
  setMinimumSize(360, 300);
  setAccessibleName(tr("Elevation"));
  connect(&document_, &Document::changed, this, &ElevationView::follow);
  connect(&document_, &Document::selectionChanged, this, &ElevationView::follow);
  follow();
}

const Assembly* ElevationView::assembly() const {
  return findAssembly(document_.job(), document_.selection().assembly);
}

void ElevationView::follow() {
  layout_.reset();
  if (const Assembly* of = assembly()) {
    auto layout = layOut(document_.job(), of->carcass());
    if (layout) layout_ = std::move(layout).value();
  }
  QString description;
  if (layout_ && document_.selection().opening)
    for (const OpeningRect& leaf : layout_->leaves)
      if (leaf.path == *document_.selection().opening)
        description = tr("opening %1 wide, %2 high")
                          .arg(qs(format(leaf.rect.width, document_.style())),
                               qs(format(leaf.rect.height, document_.style())));
  setAccessibleDescription(description);
  update();
}

QRectF ElevationView::openingRect(const OpeningPath& path) const {
  if (!layout_) return {};
  const ElevationPicture picture{&document_.job(), assembly(), &*layout_, {}};
  const Mapping map = picture.mapping(rect());
  for (const OpeningRect& leaf : layout_->leaves)
    if (leaf.path == path)
      return map.rect(leaf.rect.x, leaf.rect.z, leaf.rect.width, leaf.rect.height);
  return {};
}

void ElevationView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), look::kPaper);
  if (!layout_) {
    painter.setPen(look::kGraphite);
    painter.setFont(look::text(15));
    painter.drawText(rect(), Qt::AlignCenter,
                     assembly() == nullptr ? tr("Add an assembly to begin.")
                                           : tr("This cannot be drawn; see the second look."));
    return;
  }
  const ElevationPicture picture{&document_.job(), assembly(), &*layout_,
                                 document_.selection().opening};
  picture.paint(painter, rect());
  if (hasFocus()) {
    painter.setPen(QPen(look::kSlate, 1, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(rect().adjusted(1, 1, -2, -2));
  }
}

void ElevationView::choose(const OpeningPath& path) {
  Selection selection = document_.selection();
  selection.opening = path;
  for (const OpeningRect& leaf : layout_->leaves)
    if (leaf.path == path) document_.measure(tr("clear width of the opening"), leaf.rect.width);
  document_.select(std::move(selection));
}

void ElevationView::mousePressEvent(QMouseEvent* event) {
  if (!layout_) return;
  const ElevationPicture picture{&document_.job(), assembly(), &*layout_, {}};
  if (const auto path = picture.openingAt(event->position(), rect())) choose(*path);
}

// To the nearest opening in the direction of the arrow.
void ElevationView::move(int key) {
  if (!layout_ || layout_->leaves.empty()) return;
  const auto& selected = document_.selection().opening;
  if (!selected) return choose(layout_->leaves.front().path);
  const QPointF here = openingRect(*selected).center();
  const OpeningRect* best = nullptr;
  double bestDistance = 0;
  for (const OpeningRect& leaf : layout_->leaves) {
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
      return move(event->key());
    case Qt::Key_Backspace:
    case Qt::Key_Delete:
      return emit letter(Qt::Key_E);
    case Qt::Key_V:
    case Qt::Key_H:
    case Qt::Key_D:
    case Qt::Key_A:
    case Qt::Key_E:
      if (event->modifiers() == Qt::NoModifier || event->modifiers() == Qt::ShiftModifier)
        return emit letter(event->key());
      break;
    default:
      break;
  }
  QWidget::keyPressEvent(event);
}

}  // namespace pp

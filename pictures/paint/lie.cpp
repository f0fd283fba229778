#include "pictures/paint/lie.h"

#include <algorithm>

#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "words/figures.h"

namespace pp {

Lie::Lie(const Part& part, Edge right, const QRectF& inner, double least)
    : ends(isEnd(right)),
      across(ends ? part.length.total() : part.width.total()),
      along(ends ? part.width.total() : part.length.total()),
      scale(std::min(inner.width() / std::max(across.inMm(), 1.0),
                     inner.height() / std::max(along.inMm(), 1.0))) {
  const QSizeF size(std::max(least, across.inMm() * scale), std::max(least, along.inMm() * scale));
  board = QRectF(inner.center().x() - size.width() / 2, inner.center().y() - size.height() / 2,
                 size.width(), size.height());
}

QString edgeWord(const Part& part, Edge edge) {
  return qs(sideName(part.edges[static_cast<std::size_t>(edge)]));
}

void paintEdgeNames(QPainter& painter, const QRectF& room, const Lie& lie, const Part& part,
                    Edge right, Edge top, double beyond) {
  constexpr double kLine = 22;
  constexpr double kLeftOf = 34;
  const QRectF& board = lie.board;
  painter.setBrush(Qt::NoBrush);
  painter.setPen(look::kGraphite);
  painter.setFont(look::text(15, true));
  const auto say = [&](const QRectF& at, Qt::Alignment where, Edge edge) {
    drawText(painter, at, static_cast<int>(where), edgeWord(part, edge));
  };
  const QRectF wide(room.left() + board.center().x() - room.center().x(), 0, room.width(), kLine);
  say(wide.translated(0, board.top() - kLine - 2), Qt::AlignCenter, top);
  say(wide.translated(0, board.bottom() + 2), Qt::AlignCenter, opposite(top));
  say(QRectF(room.left(), board.center().y() - kLine / 2, board.left() - kLeftOf - room.left(),
             kLine),
      Qt::AlignRight | Qt::AlignVCenter, opposite(right));
  say(QRectF(board.right() + beyond, board.center().y() - kLine / 2,
             room.right() - board.right() - beyond, kLine),
      Qt::AlignLeft | Qt::AlignVCenter, right);
}

}  // namespace pp

// The sheets of a plan: all at one scale, larger or smaller as the user wants, or one that fills
// the stage. The cuts can be drawn in the order they are made.
#pragma once

#include <QWidget>

#include "app/session/session.h"
#include "core/nest/changes/by_hand.h"
#include "core/saw/playback.h"
#include "pictures/paint/sheet_picture.h"

namespace pp {

class SheetsView : public QWidget {
  Q_OBJECT
 public:
  explicit SheetsView(QWidget* parent = nullptr);
  void setPlan(const PlanShown& shown);
  // The part that is pointed at; its first copy where it lies in several places.
  void setSelected(const std::string& code);
  // The very place that was chosen last, if the plan still has it.
  std::optional<nest::PlacementRef> selection() const { return at_; }
  int sheetCount() const;
  const PlanShown& shown() const { return shown_; }

  // The first part whose code has that in it, from the one that is chosen on. False where none has.
  bool find(const QString& code);
  // How many cuts are drawn, of so many.
  void setCutsShown(int cuts);
  int cutsShown() const { return cutsShown_; }
  int cutCount() const { return static_cast<int>(cuts_.size()); }
  // What the cut is, for a line of words; empty for none.
  QString cutWords(int cut) const;

  static constexpr double kZoomStep = 1.25;
  // 1: the sheets fill the width.
  double zoom() const { return zoom_; }
  void setZoom(double zoom);
  // The sheet that fills the stage, none for all of them.
  std::optional<std::size_t> only() const { return only_; }
  void showOnly(std::optional<std::size_t> sheet);
  // The sheet of the part that is chosen, else the first.
  void showOneOrAll();

 signals:
  void chosen(std::size_t part);  // index into the shown parts
  void zoomed();
  void wantsToBeSeen(const QRect& what);

 protected:
  bool event(QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void resizeEvent(QResizeEvent*) override { arrange(); }

 private:
  void arrange();
  void choose(nest::PlacementRef at);
  std::optional<nest::PlacementRef> placementAt(const QPointF& point) const;
  SheetPicture picture(std::size_t sheet) const;
  // What is said of a part where the mouse is over it.
  QString wordsFor(nest::PlacementRef at) const;

  PlanShown shown_;
  std::string selected_;
  std::optional<nest::PlacementRef> at_;
  std::vector<QRectF> rooms_;  // by sheet; null where it is not shown
  std::vector<saw::MadeCut> cuts_;
  int cutsShown_ = 0;
  double zoom_ = 1;
  std::optional<std::size_t> only_;
};

}  // namespace pp

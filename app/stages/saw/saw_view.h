// The cut at hand, large, or the whole bench.
#pragma once

#include <QStringList>
#include <QWidget>
#include <memory>

#include "core/floor/at_saw.h"
#include "core/job/stock.h"

namespace pp {

class SawView : public QWidget {
  Q_OBJECT
 public:
  explicit SawView(QWidget* parent = nullptr);
  // Null: there is nothing to cut, and `words` say why. What `saw` refers to outlives what is
  // shown.
  void show(std::shared_ptr<const floor::AtSaw> saw, std::optional<std::size_t> cut, Tone tone,
            const LengthStyle& style, const QString& words);
  void setBench(bool all);
  // The parts that are cut, a line a stack: shown beside the whole bench.
  void setStacks(const QStringList& stacks);
  bool isBench() const { return bench_; }
  // What lies on the bench, by name, as it is drawn.
  QStringList lying() const;

 signals:
  void cutChosen(std::size_t cut);  // of the piece that is clicked, on the bench

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  struct Lying {
    QString name;
    QRectF room;
    std::size_t cut = 0;  // that is ready for it
  };
  std::vector<Lying> bench() const;
  void paintBench(QPainter& painter) const;

  std::shared_ptr<const floor::AtSaw> saw_;
  std::optional<std::size_t> cut_;
  Tone tone_ = Tone::Birch;
  LengthStyle style_;
  QString words_;
  bool bench_ = false;
  QStringList stacks_;
};

}  // namespace pp

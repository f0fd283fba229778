// One part large, its mirrored twin beside it, and why it is the size it is.
#pragma once

#include <QLabel>
#include <QWidget>
#include <memory>

#include "app/jobs/plan_runner.h"

namespace pp {

class PartPictureView : public QWidget {
  Q_OBJECT
 public:
  explicit PartPictureView(QWidget* parent = nullptr);
  // Empty shows nothing; two are a mirrored pair.
  void setParts(std::shared_ptr<const Job> job, std::vector<Part> parts);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  std::shared_ptr<const Job> job_;
  std::vector<Part> parts_;
};

class PartView : public QWidget {
  Q_OBJECT
 public:
  explicit PartView(QWidget* parent = nullptr);
  // A part of that break-down of that job; null shows none.
  void setPart(const std::shared_ptr<const Job>& job, const Breakdown& breakdown,
               const PlanShown& plan, const Part* part);

 private:
  QLabel* heading_;
  PartPictureView* picture_;
  QLabel* words_;
};

}  // namespace pp

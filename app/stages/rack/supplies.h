// What lies beside the sheets: drawer slides, edge banding and things bought ready made, a leaf
// each.
#pragma once

#include "app/grid/leaves.h"

namespace pp {

// Height of the tables at the foot of the stage: three rows.
inline constexpr int kLowTable = 122;

class Supplies : public Leaves {
  Q_OBJECT
 public:
  explicit Supplies(Session& session, QWidget* parent = nullptr);

  // Takes the slides of a list in the place of those there are, or says what is wrong with it.
  bool readSlidesFile(const QString& path);
  bool writeSlidesFile(const QString& path);

 private:
  void readSlidesCsv();
  void writeSlidesCsv();

  Session& session_;
};

}  // namespace pp

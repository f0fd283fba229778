// What a job has of the shop, a leaf each: its sheets and offcuts, materials, saws, slides,
// bandings and things bought in.
#pragma once

#include "app/grid/leaves.h"

namespace pp {

class RackLeaves : public Leaves {
  Q_OBJECT
 public:
  explicit RackLeaves(Session& session, QWidget* parent = nullptr);

  // The row of the job's rack that is chosen, while its leaf is shown.
  std::optional<std::size_t> chosenPiece() const;
  // Takes the slides of a list in the place of those there are, or says what is wrong with it.
  bool readSlidesFile(const QString& path);
  bool writeSlidesFile(const QString& path);

 private:
  void addRack();
  void addSaws();
  void addFittings();
  void addOffcut();
  void measure();
  void readSlidesCsv();
  void writeSlidesCsv();

  Session& session_;
};

}  // namespace pp

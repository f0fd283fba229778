// The pieces that come to the bench.
#pragma once

#include <map>
#include <optional>

#include "core/floor/cutting.h"
#include "core/floor/progress.h"
#include "core/parts/part.h"

namespace pp::bench {

// A part as it was cut, and the numbers of its pieces.
struct Pieces {
  Part part;
  std::vector<std::int64_t> numbers;  // ascending
};

// Pieces that the cuttings have given or will give, part by part as they were cut; spoiled ones and
// those of a cutting that was given up before they were cut are none. Where nothing was taken to
// the saw: the parts as they are drawn.
std::vector<Pieces> piecesAtBench(const std::vector<Cutting>& cuttings,
                                  const floor::Progress& progress, const std::vector<Part>& drawn);

// A place is that of the part that was cut for it last, where the drawing had it changed.
class PlacesTaken {
 public:
  explicit PlacesTaken(const std::vector<Pieces>& pieces);
  bool by(std::size_t row, std::size_t pose) const;

 private:
  const std::vector<Pieces>& pieces_;
  std::map<PartKey, std::size_t> last_;  // rows
};
// The parts, each with those of its places that are its own still.
std::vector<Part> whereTheyStand(const std::vector<Pieces>& pieces);

// The code and number that a label says: "PP1:JOB:12.7:3", of that job; none: no such label.
std::optional<PieceId> scanned(const std::string& code, const std::string& job,
                               const std::vector<Pieces>& pieces);

// The same, or the code alone or with the number after it: "T1-08", "T1-08 2". Number 0: of any.
PieceId pieceMeant(const std::string& words, const std::string& job,
                   const std::vector<Pieces>& pieces);

}  // namespace pp::bench

// Large jobs: a few sheets at a time are searched on their own, so that the speed of a move does
// not fall with the size of the job, and the next deal brings others together. One sheet after the
// other is dissolved: its blocks go to a pool that all hands help to empty.
#pragma once

#include "core/nest/search/search.h"

namespace pp::nest {

class Regroup {
 public:
  Regroup(const Group& group, Arrangement start, std::uint64_t seed);

  // The best so far.
  const Arrangement& best() const { return best_; }

  // Deals all sheets into hands of a few, each with a share of the pool; the number of hands.
  std::size_t deal();
  // Improves one hand; hands may be worked on by different threads at once.
  void play(std::size_t hand, std::int64_t steps, const Search::Stop& stop);
  // Puts the hands together again, if any were dealt.
  void collect();
  std::int64_t iterations() const { return iterations_; }

 private:
  struct Hand {
    Arrangement cards;
    std::uint64_t seed = 0;
    std::int64_t iterations = 0;
  };

  void dissolve();

  const Group& group_;
  Arrangement best_;
  Arrangement now_;  // on the way to a better one
  Random random_;
  std::vector<Hand> hands_;
  bool gathering_ = false;  // no sheet can be dissolved: the waste is gathered
  int rounds_ = 0;          // since a sheet was dissolved
  std::int64_t iterations_ = 0;
};

}  // namespace pp::nest

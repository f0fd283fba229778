// The order in which things that stand in one another's way come apart, one or a few at a time
// along straight lines; backwards it is the order in which they are put together. What is taken
// away frees others and never blocks one, so that whatever can go may go: no choice has to be
// taken back. What cannot go alone goes with what is in its way: the blocking graphs of Wilson and
// Latombe ("Geometric reasoning about mechanical assembly", 1994).
#pragma once

#include <cstdint>
#include <optional>
#include <vector>

namespace pp::bench {

// Of `count` things. A set of ways is a bit each, 64 at most.
struct Puzzle {
  using Ways = std::uint64_t;
  std::size_t count = 0;
  // [moving * count + still]: along which ways the one comes through the other.
  std::vector<Ways> blocked;
  // The same by what only good practice forbids: a panel is not slid along a glued slot.
  std::vector<Ways> awkward;
  std::vector<double> late;  // the higher, the sooner it is taken away
  // By thing, the ways in the order in which they are tried.
  std::vector<std::vector<int>> preferred;
  // Of which sort each is (0..63), and by sort which others, a bit each, it goes in before.
  std::vector<int> sort;
  std::vector<std::uint64_t> before;
  // What is fastened when the later of two is put in, and who is in the way of the driver.
  struct Driven {
    std::size_t a = 0, b = 0;
    std::vector<std::size_t> inTheWay;
  };
  std::vector<Driven> driven;
};

struct TakenOut {
  std::vector<std::size_t> things;       // ascending; several go as one
  int way = -1;                          // the last one stays: none
  std::optional<std::size_t> unreached;  // of the driven: there was no order in which it is reached
  bool forced = false;                   // nor one in which it gets past what is there
  std::optional<std::size_t> past;       // then: one of those that it does not get past
  std::optional<std::size_t> tooLate;    // that is there already and goes in after it by its sort
};

// Of all of them, or of those. The first is taken away first.
std::vector<TakenOut> takenApart(const Puzzle& puzzle);
std::vector<TakenOut> takenApart(const Puzzle& puzzle, const std::vector<std::size_t>& of);

// The same things in an order that is given, what is taken away first first: how each goes then,
// and what is wrong with it.
std::vector<TakenOut> takenInOrder(const Puzzle& puzzle,
                                   const std::vector<std::vector<std::size_t>>& order);

}  // namespace pp::bench

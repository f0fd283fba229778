// How samples of a finish came out in the shop, on an offcut of the lot that is finished.
#pragma once

#include <string>
#include <vector>

namespace pp::bench {

struct Sample {
  std::string finish;         // what it is called in the file: "clear"
  std::string material, lot;  // its name, and the lot where one is known
  std::string result;         // in the maker's words
  bool operator==(const Sample&) const = default;
};

// A line each, its fields apart by tabs. What cannot be read is left out.
std::vector<Sample> readSamples(const std::string& text);
std::string writeSamples(const std::vector<Sample>& all);

// With that one in the place of the last on the same; one without a result takes that away.
std::vector<Sample> withSample(std::vector<Sample> all, const Sample& one);

// What came of the last on that lot; empty: nothing is known.
std::string sampleOf(const std::vector<Sample>& all, const Sample& like);

}  // namespace pp::bench

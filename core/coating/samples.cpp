#include "core/coating/samples.h"

#include <algorithm>
#include <sstream>

namespace pp::bench {
namespace {

bool isOnSame(const Sample& a, const Sample& b) {
  return a.finish == b.finish && a.material == b.material && a.lot == b.lot;
}

std::string inOneLine(std::string text) {
  std::replace_if(
      text.begin(), text.end(), [](char c) { return c == '\t' || c == '\n' || c == '\r'; }, ' ');
  return text;
}

}  // namespace

std::vector<Sample> readSamples(const std::string& text) {
  std::vector<Sample> out;
  std::istringstream lines(text);
  for (std::string line; std::getline(lines, line);) {
    std::istringstream fields(line);
    Sample one;
    std::string more;
    for (std::string* field : {&one.finish, &one.material, &one.lot, &one.result})
      std::getline(fields, *field, '\t');
    if (one.finish.empty() || one.material.empty() || one.result.empty() || fields >> more)
      continue;
    out.push_back(std::move(one));
  }
  return out;
}

std::string writeSamples(const std::vector<Sample>& all) {
  std::string out;
  for (const Sample& one : all)
    out += inOneLine(one.finish) + '\t' + inOneLine(one.material) + '\t' + inOneLine(one.lot) +
           '\t' + inOneLine(one.result) + '\n';
  return out;
}

std::vector<Sample> withSample(std::vector<Sample> all, const Sample& one) {
  std::erase_if(all, [&](const Sample& old) { return isOnSame(old, one); });
  if (!one.result.empty()) all.push_back(one);
  return all;
}

std::string sampleOf(const std::vector<Sample>& all, const Sample& like) {
  const auto at =
      std::find_if(all.begin(), all.end(), [&](const Sample& one) { return isOnSame(one, like); });
  return at == all.end() ? std::string() : at->result;
}

}  // namespace pp::bench

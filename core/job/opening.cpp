#include "core/job/opening.h"

namespace pp {
namespace {

void collect(const Opening& opening, OpeningPath& path, std::vector<OpeningPath>& out) {
  const auto* split = std::get_if<Split>(&opening.content);
  if (split == nullptr) {
    out.push_back(path);
    return;
  }
  for (std::size_t i = 0; i < split->children.size(); ++i) {
    path.push_back(i);
    collect(split->children[i], path, out);
    path.pop_back();
  }
}

Opening* findMutable(Opening& root, const OpeningPath& path) {
  Opening* here = &root;
  for (const std::size_t index : path) {
    auto* split = std::get_if<Split>(&here->content);
    if (split == nullptr || index >= split->children.size()) return nullptr;
    here = &split->children[index];
  }
  return here;
}

}  // namespace

const Opening* find(const Opening& root, const OpeningPath& path) {
  return findMutable(const_cast<Opening&>(root), path);  // nothing is changed on the way
}

Opening replaced(const Opening& root, const OpeningPath& path, Opening with) {
  Opening copy = root;
  *findMutable(copy, path) = std::move(with);
  return copy;
}

std::vector<OpeningPath> leaves(const Opening& root) {
  std::vector<OpeningPath> out;
  OpeningPath path;
  collect(root, path, out);
  return out;
}

}  // namespace pp

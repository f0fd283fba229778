#include "core/designs/opening.h"

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

const Opening* openingOf(const Opening& root, Id id) {
  if (root.id == id) return &root;
  if (const auto* split = std::get_if<Split>(&root.content))
    for (const Opening& child : split->children)
      if (const Opening* found = openingOf(child, id)) return found;
  return nullptr;
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

std::optional<Split> panelMoved(const Split& split, const std::vector<Length>& sizes,
                                std::size_t index, Length delta) {
  const Length before = sizes[index] + delta;
  const Length after = sizes[index + 1] - delta;
  if (before <= Length{} || after <= Length{}) return std::nullopt;
  Split out = split;
  // Other shares must not give way to a panel that is not theirs.
  for (std::size_t i = 0; i < sizes.size(); ++i)
    if (i != index && i != index + 1) out.sizes[i].fixed = sizes[i];
  out.sizes[index].fixed = before;
  if (split.sizes[index + 1].fixed) out.sizes[index + 1].fixed = after;
  bool shared = false;
  for (const Share& share : out.sizes) shared = shared || !share.fixed;
  if (!shared) out.sizes[index + 1].fixed.reset();
  return out;
}

}  // namespace pp

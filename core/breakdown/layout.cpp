#include "core/breakdown/layout.h"

#include <fmt/format.h>

#include "core/job/size_list.h"

namespace pp {
namespace {

class Solver {
 public:
  Solver(const Job& job, const Carcass& carcass) : style_(styleOf(job)), carcass_(carcass) {
    out_.thickness = findMaterial(job, carcass.material)->measured;
    out_.backThickness = findMaterial(job, carcass.back.material)->measured;
  }

  Result<CarcassLayout> run() {
    const Length t = out_.thickness;
    const Length foot = carcass_.toe ? carcass_.toe->height : Length{};
    out_.clear = {t, foot + t, carcass_.width - 2 * t, carcass_.height - foot - 2 * t};
    out_.clearDepth = carcass_.depth - out_.backThickness;
    outside();
    joints();
    if (problems_.empty()) {
      OpeningPath path;
      opening(carcass_.inside, out_.clear, path);
    }
    if (!problems_.empty()) return problems_;
    return std::move(out_);
  }

 private:
  void add(std::string field, const std::string& found, const std::string& expected) {
    problems_.push_back({{}, 0, std::move(field), found, expected});
  }
  std::string show(Length length) const { return formatWithUnit(length, style_); }

  void needRoom(const char* name, Length size, Length taken) {
    if (size <= taken)
      add(name, show(size), fmt::format("more than the {} that the panels take", show(taken)));
  }

  void outside() {
    const Length t = out_.thickness;
    const Length foot = carcass_.toe ? carcass_.toe->height : Length{};
    needRoom("width", carcass_.width, 2 * t);
    needRoom("height", carcass_.height, foot + 2 * t);
    needRoom("depth", carcass_.depth, out_.backThickness);
    if (carcass_.toe && carcass_.toe->depth + t > out_.clearDepth)
      add("toe depth", show(carcass_.toe->depth),
          fmt::format("at most {}, so that the kick board stands under the carcass",
                      show(out_.clearDepth - t)));
    const FrontRect& clear = out_.clear;
    out_.panels = {
        {PanelKind::LeftSide, {Length{}, Length{}, t, carcass_.height}, {}, 0},
        {PanelKind::RightSide, {carcass_.width - t, Length{}, t, carcass_.height}, {}, 0},
        {PanelKind::Bottom, {t, foot, clear.width, t}, {}, 0},
        {PanelKind::Top, {t, carcass_.height - t, clear.width, t}, {}, 0}};
    if (carcass_.toe)
      out_.panels.push_back({PanelKind::Kick, {t, Length{}, clear.width, foot}, {}, 0});
  }

  void joints() {
    const Length t = out_.thickness;
    if (carcass_.joint == Joint::Dado && carcass_.dadoDepth >= t)
      add("dado depth", show(carcass_.dadoDepth),
          fmt::format("less than the panel's thickness of {}", show(t)));
    if (carcass_.back.rabbetDepth >= t)
      add("rabbet depth", show(carcass_.back.rabbetDepth),
          fmt::format("less than the panel's thickness of {}", show(t)));
    if (carcass_.back.clearance >= 2 * carcass_.back.rabbetDepth)
      add("back clearance", show(carcass_.back.clearance),
          "less than twice the rabbet's depth, or the back falls through");
  }

  void opening(const Opening& opening, const FrontRect& rect, OpeningPath& path) {
    const auto* split = std::get_if<Split>(&opening.content);
    if (split == nullptr) {
      out_.leaves.push_back({path, rect});
      return;
    }
    const bool dividers = split->by == SplitBy::Dividers;
    const auto panels = static_cast<std::int64_t>(split->sizes.size()) - 1;
    const Length room = (dividers ? rect.width : rect.height) - panels * out_.thickness;
    const auto sizes = shareOut(room, split->sizes, style_);
    if (!sizes) {
      add(dividers ? "openings side by side" : "openings one above the other",
          sizes.problems().front().found, sizes.problems().front().expected);
      return;
    }
    if (dividers)
      columns(*split, sizes.value(), rect, path);
    else
      rows(*split, sizes.value(), rect, path);
  }

  void columns(const Split& split, const std::vector<Length>& sizes, const FrontRect& rect,
               OpeningPath& path) {
    Length x = rect.x;
    for (std::size_t i = 0; i < sizes.size(); ++i) {
      if (i > 0) {
        out_.panels.push_back(
            {PanelKind::Divider, {x, rect.z, out_.thickness, rect.height}, path, i - 1});
        x += out_.thickness;
      }
      child(split, i, {x, rect.z, sizes[i], rect.height}, path);
      x += sizes[i];
    }
  }

  void rows(const Split& split, const std::vector<Length>& sizes, const FrontRect& rect,
            OpeningPath& path) {
    Length z = rect.z + rect.height;
    for (std::size_t i = 0; i < sizes.size(); ++i) {
      if (i > 0) {
        z -= out_.thickness;
        out_.panels.push_back(
            {PanelKind::Shelf, {rect.x, z, rect.width, out_.thickness}, path, i - 1});
      }
      z -= sizes[i];
      child(split, i, {rect.x, z, rect.width, sizes[i]}, path);
    }
  }

  void child(const Split& split, std::size_t i, const FrontRect& rect, OpeningPath& path) {
    path.push_back(i);
    opening(split.children[i], rect, path);
    path.pop_back();
  }

  LengthStyle style_;
  const Carcass& carcass_;
  CarcassLayout out_;
  Problems problems_;
};

}  // namespace

Result<CarcassLayout> layOut(const Job& job, const Carcass& carcass) {
  return Solver(job, carcass).run();
}

}  // namespace pp

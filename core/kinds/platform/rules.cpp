#include "core/kinds/platform/rules.h"

#include "core/kinds/kind.h"

namespace pp {
namespace {

Result<std::vector<Part>> platformParts(const Maker& maker, const Platform& platform) {
  const Length t = maker.thickness(platform.material);
  const Reason width = Reason("width", platform.width).shared(platform.across);
  const Reason depth = Reason("depth", platform.depth).shared(platform.deep);
  const Reason height = Reason("height", platform.height).minus("deck", t);
  if (width.total() <= 2 * t || depth.total() <= 2 * t || height.total() <= Length{})
    return cannot("platform", "boxes " + maker.shown(width.total()) + " wide",
                  "fewer boxes, or a larger platform");
  std::vector<Part> out;
  for (int i = 0; i < platform.across; ++i)
    for (int k = 0; k < platform.deep; ++k) {
      const Length x = i * width.total();
      const Length y = k * depth.total();
      for (const bool left : {true, false}) {
        Part side = maker.board(PartRole::PlatformSide, platform.material, depth, height);
        Maker::place(side,
                     {{left ? x : x + width.total() - t, y, Length{}}, kBackwards, kUp, kRight});
        out.push_back(std::move(side));
      }
      for (const bool front : {true, false}) {
        Part end = maker.board(PartRole::PlatformEnd, platform.material,
                               Reason("box width", width.total()).minus("side", t, 2), height);
        Maker::place(
            end, {{x + t, front ? y : y + depth.total() - t, Length{}}, kRight, kUp, kBackwards});
        out.push_back(std::move(end));
      }
      Part deck = maker.board(PartRole::Deck, platform.material, width, depth);
      deck.show = Face::Outside;
      Maker::place(deck, {{x, y, height.total()}, kRight, kBackwards, kUp});
      out.push_back(std::move(deck));
    }
  return out;
}

}  // namespace

Length widthOf(const Job& /*job*/, const Platform& of) {
  return of.width;
}

std::int64_t mostPieces(const Job& /*job*/, const Platform& of) {
  return 6 * std::int64_t{of.across} * of.deep + of.across + of.deep;
}

void check(Check& to, const std::string& at, const Platform& of) {
  to.allPositive(at, {{"/width", of.width}, {"/depth", of.depth}, {"/height", of.height}});
  to.within(at + "/across", of.across, 1, 20);
  to.within(at + "/deep", of.deep, 1, 20);
  to.knownMaterial(at + "/material", of.material);
}

void begin(const Job& /*job*/, const PlainMaterials& materials, Platform& out) {
  out.material = materials.thick;
}

void make(const Maker& maker, const Platform& of, Made& out) {
  out.take(platformParts(maker, of));
}

}  // namespace pp

#include "measurements/families.h"

#include <algorithm>
#include <cmath>

#include "core/nest/sheet/random.h"

namespace pp::bench {
namespace {

using nest::Random;

int between(Random& random, int from, int to) {
  return from + static_cast<int>(random.below(static_cast<std::size_t>(to - from + 1)));
}

PartDemand part(std::size_t index, Length length, Length width, std::int64_t quantity,
                PartGrain grain = PartGrain::Any) {
  PartDemand out;
  out.code = "P" + std::to_string(index + 1);
  out.length = length;
  out.width = width;
  out.thickness = Length::mm(18);
  out.material = "birch";
  out.quantity = quantity;
  out.grain = grain;
  return out;
}

StockSupply sheet(const std::string& id, Length length, Length width, int price) {
  StockSupply out;
  out.id = id;
  out.material = "birch";
  out.thickness = out.measured = Length::mm(18);
  out.length = length;
  out.width = width;
  out.price = Money::whole(price);
  return out;
}

StockSupply fullSheet() {
  StockSupply out = sheet("full", Length::mm(2440), Length::mm(1220), 64);
  out.trim = Length::mm(6);
  return out;
}

void add(NestRequest& request, Length length, Length width, std::int64_t quantity,
         PartGrain grain) {
  request.parts.push_back(part(request.parts.size(), length, width, quantity, grain));
}

// The parts of one carcass with what fills it, all of one material.
void addCarcass(NestRequest& request, Random& random) {
  const int width = between(random, 6, 18) * 50;
  const int height = between(random, 0, 2) == 0 ? between(random, 36, 44) * 50 : 720;
  const int depth = between(random, 0, 1) == 0 ? 560 : between(random, 28, 40) * 10;
  const int inside = width - 36;
  add(request, Length::mm(height), Length::mm(depth), 2, PartGrain::Length);
  add(request, Length::mm(inside + 12), Length::mm(depth), 2, PartGrain::Length);
  switch (between(random, 0, 2)) {
    case 0: {  // shelves and a pair of doors
      add(request, Length::mm(inside - 3), Length::mm(depth - 23), between(random, 1, 4),
          PartGrain::Length);
      add(request, Length::mm(height - 4), Length::mm(width / 2 - 3), 2, PartGrain::Length);
      break;
    }
    case 1: {  // drawer fronts across
      const int count = between(random, 3, 5);
      add(request, Length::mm(width - 4), Length::mm((std::min(height, 720) - 4) / count - 2),
          count, PartGrain::Length);
      add(request, Length::mm(500), Length::mm(between(random, 10, 16) * 10), 2 * count,
          PartGrain::Length);
      break;
    }
    default: {  // a divider, shelves on both sides, rails
      add(request, Length::mm(height - 130), Length::mm(depth - 6), 1, PartGrain::Length);
      add(request, Length::mm(inside / 2 - 12), Length::mm(depth - 26), between(random, 2, 6),
          PartGrain::Length);
      add(request, Length::mm(inside), Length::mm(100), 2, PartGrain::Any);
    }
  }
}

std::int64_t pieces(const NestRequest& request) {
  std::int64_t out = 0;
  for (const PartDemand& one : request.parts) out += one.quantity;
  return out;
}

using Piece = std::pair<std::int64_t, std::int64_t>;  // nm

// Cuts a piece into `count` by halving the largest, with the kerf.
std::vector<Piece> cutUp(Piece whole, int count, std::int64_t kerf, Random& random) {
  std::vector<Piece> out = {whole};
  const auto area = [](const Piece& p) {
    return static_cast<double>(p.first) * static_cast<double>(p.second);
  };
  for (int tries = 0; static_cast<int>(out.size()) < count && tries < 400; ++tries) {
    // The larger of three, so that sizes stay mixed but nothing large is left.
    std::size_t at = random.below(out.size());
    for (int k = 0; k < 2; ++k) {
      const std::size_t other = random.below(out.size());
      if (area(out[other]) > area(out[at])) at = other;
    }
    Piece low = out[at];
    Piece high = low;
    const bool alongX = low.first == low.second
                            ? random.below(2) == 0
                            : (low.first > low.second) != (random.below(4) == 0);
    std::int64_t& side = alongX ? low.first : low.second;
    constexpr std::int64_t kMm = 1'000'000;
    const std::int64_t total = side;
    side = total * between(random, 20, 80) / 100 / kMm * kMm;
    const std::int64_t rest = total - side - kerf;
    constexpr std::int64_t kLeast = 50 * kMm;
    if (side < kLeast || rest < kLeast) continue;
    (alongX ? high.first : high.second) = rest;
    out[at] = low;
    out.push_back(high);
  }
  return out;
}

}  // namespace

Instance cabinet(std::uint64_t seed) {
  Random random(seed * 7919 + 11);
  Instance out;
  out.name = "cabinet " + std::to_string(seed);
  out.request.kerf = Length::um(3'200);
  out.request.stock = {fullSheet()};
  const int wanted = between(random, 60, 140);
  while (pieces(out.request) < wanted) addCarcass(out.request, random);
  return out;
}

Instance planted(std::uint64_t seed, int sheets, double fill) {
  Random random(seed * 104'729 + static_cast<std::uint64_t>(sheets) * 131 +
                static_cast<std::uint64_t>(fill * 1000));
  Instance out;
  out.name = "planted " + std::to_string(sheets) + "/" + std::to_string(seed);
  out.planted = sheets;
  out.request.kerf = Length::um(3'000);
  out.request.stock = {fullSheet()};
  const StockSupply& stock = out.request.stock.front();
  const std::int64_t kerf = out.request.kerf.inNm();
  const Piece usable{(stock.length - 2 * stock.trim).inNm(), (stock.width - 2 * stock.trim).inNm()};
  const auto inflated = [kerf](const Piece& p) {
    return static_cast<double>(p.first + kerf) * static_cast<double>(p.second + kerf);
  };
  std::vector<Piece> all;
  for (int s = 0; s < sheets; ++s) {
    const auto some = cutUp(usable, between(random, 15, 25), kerf, random);
    all.insert(all.end(), some.begin(), some.end());
  }
  // Take off a little everywhere until the fill is what was asked for.
  double surplus = (1 - fill) * sheets * inflated(usable);
  while (surplus > 0) {
    Piece& piece = all[random.below(all.size())];
    std::int64_t& side = random.below(2) == 0 ? piece.first : piece.second;
    const std::int64_t most = std::min<std::int64_t>(side / 4, 40'000'000);
    const double before = inflated(piece);
    side -= most * between(random, 10, 100) / 100 / 1'000'000 * 1'000'000;
    surplus -= before - inflated(piece);
  }
  for (const Piece& piece : all)
    out.request.parts.push_back(
        part(out.request.parts.size(), Length::nm(piece.first), Length::nm(piece.second), 1));
  return out;
}

Instance standardClass(int which, int n, std::uint64_t seed) {
  Random random(static_cast<std::uint64_t>(which) * 1'000'003 +
                static_cast<std::uint64_t>(n) * 1009 + seed);
  struct Shape {
    int bin, most;
  };
  constexpr Shape kShapes[] = {{10, 10}, {30, 10}, {40, 35}, {100, 35}, {100, 100}, {300, 100}};
  Instance out;
  out.name = "class " + std::to_string(which) + " n " + std::to_string(n);
  const int bin = which <= 6 ? kShapes[which - 1].bin : 100;
  out.request.kerf = Length{};
  out.request.stock = {sheet("bin", Length::mm(bin), Length::mm(bin), 1)};
  out.request.stock.front().grain = SheetGrain::None;
  for (int i = 0; i < n; ++i) {
    int w = 0;
    int h = 0;
    if (which <= 6) {
      w = between(random, 1, kShapes[which - 1].most);
      h = between(random, 1, kShapes[which - 1].most);
    } else {
      // Seven in ten of the class's own type, one in ten of each other.
      const int roll = between(random, 0, 9);
      int type = which - 6;
      if (roll >= 7) {
        type = 1 + (roll - 7);
        if (type >= which - 6) ++type;
      }
      const int half = bin / 2;
      switch (type) {
        case 1:
          w = between(random, (2 * bin + 2) / 3, bin), h = between(random, 1, half);
          break;
        case 2:
          w = between(random, 1, half), h = between(random, (2 * bin + 2) / 3, bin);
          break;
        case 3:
          w = between(random, half, bin), h = between(random, half, bin);
          break;
        default:
          w = between(random, 1, half), h = between(random, 1, half);
      }
    }
    out.request.parts.push_back(part(static_cast<std::size_t>(i), Length::mm(w), Length::mm(h), 1));
  }
  return out;
}

Instance mixedStock(std::uint64_t seed) {
  Instance out = cabinet(seed + 500);
  Random random(seed * 31 + 5);
  out.name = "mixed " + std::to_string(seed);
  out.request.stock = {fullSheet()};
  StockSupply small = sheet("small", Length::mm(1220), Length::mm(1220), 37);
  small.trim = Length::mm(6);
  StockSupply large = sheet("large", Length::mm(3050), Length::mm(1525), 106);
  large.trim = Length::mm(6);
  large.quantity = between(random, 1, 3);
  out.request.stock.push_back(small);
  out.request.stock.push_back(large);
  const int offcuts = between(random, 6, 10);
  for (int i = 0; i < offcuts; ++i) {
    StockSupply one =
        sheet("offcut" + std::to_string(i + 1), Length::mm(between(random, 8, 30) * 50),
              Length::mm(between(random, 4, 14) * 50), between(random, 0, 6));
    one.kind = StockKind::Offcut;
    one.quantity = 1;
    out.request.stock.push_back(one);
  }
  return out;
}

Instance large(std::uint64_t seed, int parts) {
  Random random(seed * 613 + 3);
  Instance out;
  out.name = "large " + std::to_string(parts);
  out.request.kerf = Length::um(3'200);
  const char* materials[] = {"birch", "ash", "oak"};
  for (const char* material : materials) {
    StockSupply stock = fullSheet();
    stock.id = std::string(material) + " sheet";
    stock.material = material;
    out.request.stock.push_back(stock);
  }
  for (int i = 0; i < parts; ++i) {
    PartDemand one = part(static_cast<std::size_t>(i), Length::mm(between(random, 100, 800)),
                          Length::mm(between(random, 80, 620)), 1,
                          random.below(3) == 0 ? PartGrain::Length : PartGrain::Any);
    one.material = materials[random.below(3)];
    out.request.parts.push_back(one);
  }
  return out;
}

}  // namespace pp::bench

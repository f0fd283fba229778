#include "core/kinds/carcass/pads.h"

#include <algorithm>

namespace pp {
namespace {

constexpr std::size_t kMostLayers = 4;
constexpr std::size_t kMostSheets = 16;  // more would take longer than anyone gains

// Tries every choice of layers, none thicker than the one before it.
class Search {
 public:
  Search(std::vector<const Material*> sheets, Length thickness)
      : sheets_(std::move(sheets)), thickness_(thickness) {}

  PadLayers run() {
    add(0);
    return best_;
  }

 private:
  void add(std::size_t from) {
    if (!now_.materials.empty() && better()) best_ = now_;
    // What is too thick already does not come nearer.
    if (now_.materials.size() == kMostLayers || now_.sum >= thickness_) return;
    for (std::size_t i = from; i < sheets_.size(); ++i) {
      now_.materials.push_back(sheets_[i]->id);
      now_.sum += sheets_[i]->measured;
      add(i);
      now_.sum -= sheets_[i]->measured;
      now_.materials.pop_back();
    }
  }

  // A layer more must bring it nearer by so much.
  Length worth(const PadLayers& layers) const {
    constexpr Length kLayer = Length::mm(1);
    return distance(layers.sum, thickness_) + std::ssize(layers.materials) * kLayer;
  }
  bool better() const { return best_.materials.empty() || worth(now_) < worth(best_); }

  std::vector<const Material*> sheets_;  // thick ones first
  Length thickness_;
  PadLayers now_, best_;
};

}  // namespace

PadLayers padLayers(const Job& job, Length thickness, const std::string& otherwise) {
  std::vector<const Material*> sheets;
  for (const Material& material : job.materials)
    if (!material.lumber &&
        std::any_of(job.stock.begin(), job.stock.end(), [&material](const StockPiece& piece) {
          return piece.material == material.id && piece.quantity != 0;
        }))
      sheets.push_back(&material);
  if (sheets.empty()) sheets.push_back(findMaterial(job, otherwise));
  // Of those that are equally thick the case's own, else the first.
  std::stable_sort(sheets.begin(), sheets.end(),
                   [&otherwise](const Material* a, const Material* b) {
                     return a->measured != b->measured ? a->measured > b->measured
                                                       : a->id == otherwise && b->id != otherwise;
                   });
  sheets.erase(
      std::unique(sheets.begin(), sheets.end(),
                  [](const Material* a, const Material* b) { return a->measured == b->measured; }),
      sheets.end());
  if (sheets.size() > kMostSheets) sheets.resize(kMostSheets);
  return Search(std::move(sheets), thickness).run();
}

}  // namespace pp

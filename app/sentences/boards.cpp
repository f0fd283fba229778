#include <algorithm>

#include "app/sentences/features.h"
#include "core/designs/size_list.h"
#include "core/kinds/boards/places.h"

namespace pp {
namespace {

class BoardsWriter : public FeatureWriter<Boards> {
 public:
  using FeatureWriter::FeatureWriter;
  std::vector<Paragraph> run() {
    // So many words can still be read and built at once; more boards are changed in Parts.
    constexpr std::size_t kMostSaid = 24;
    const std::size_t said = std::min(body_.boards.size(), kMostSaid);
    for (std::size_t i = 0; i < said; ++i) board(i);
    begin();
    if (said < body_.boards.size())
      say(tr("And %1 more, which Parts lists.").arg(body_.boards.size() - said));
    choice(tr("boards"), {tr("These boards"), tr("add a board"), tr("take the last board out")}, 0,
           [](Boards& b, int i) {
             if (i == 1) {
               LooseBoard added = b.boards.back();
               added.name = "board";
               added.features.clear();
               b.boards.push_back(added);
             }
             if (i == 2 && b.boards.size() > 1) b.boards.pop_back();
           });
    say(tr("make one of them."));
    return std::move(out_);
  }

 private:
  void board(std::size_t i) {
    const LooseBoard& one = body_.boards[i];
    begin();
    const QString of = tr("of %1").arg(qs(one.name));
    count(tr("quantity %1").arg(of), static_cast<int>(one.quantity), 1, 1'000,
          [i](Boards& b, int n) { b.boards[i].quantity = n; });
    say(tr("×"));
    typedList(tr("name %1").arg(of), qs(one.name), [i](Boards& b, const QString& text) -> Problems {
      b.boards[i].name = text.trimmed().toStdString();
      return {};
    });
    say(tr(","));
    length(tr("length %1").arg(of), one.length,
           [i](Boards& b, Length l) { b.boards[i].length = l; });
    say(tr("long,"));
    length(tr("width %1").arg(of), one.width, [i](Boards& b, Length l) { b.boards[i].width = l; });
    say(tr("wide, of"));
    material(tr("material %1").arg(of), one.material,
             [i](Boards& b, const std::string& id) { b.boards[i].material = id; });
    say(tr(", grain"));
    choice<BoardGrain>(tr("grain %1").arg(of), one.grain,
                       [i](Boards& b, BoardGrain g) { b.boards[i].grain = g; });
    say(tr(", with"));
    banding(tr("banding along %1").arg(of), one.bandLong, [i](Boards& b, const std::string& id) {
      b.boards[i].bandLong = id;
      b.boards[i].farLong.reset();
    });
    say(tr("along it and"));
    banding(tr("banding across %1").arg(of), one.bandShort, [i](Boards& b, const std::string& id) {
      b.boards[i].bandShort = id;
      b.boards[i].farShort.reset();
    });
    say(tr("at its ends"));
    features(
        one.features, of, [i](Boards& b) -> std::vector<Feature>& { return b.boards[i].features; },
        one.length, one.width, findMaterial(job_, one.material)->measured);
    say(tr("; they are"));
    choice<BoardHand>(tr("hand %1").arg(of), one.hand,
                      [i](Boards& b, BoardHand h) { b.boards[i].hand = h; });
    say(tr(", show"));
    choice<Face>(tr("show face %1").arg(of), one.show,
                 [i](Boards& b, Face f) { b.boards[i].show = f; });
    say(tr("and stand with"));
    choice(tr("front %1").arg(of),
           {tr("no edge in particular"), tr("the lower edge"), tr("the upper edge"),
            tr("the first end"), tr("the far end")},
           one.front ? 1 + static_cast<int>(*one.front) : 0, [i](Boards& b, int e) {
             b.boards[i].front =
                 e == 0 ? std::nullopt : std::optional(static_cast<BoardEdge>(e - 1));
           });
    say(tr("in front, at"));
    places(i, of);
    say(tr(";"));
    layers(i, of);
    say(tr("."));
  }

  // "0, 12, 40, up, right", one after the other, and where the next could be.
  void places(std::size_t i, const QString& of) {
    constexpr std::size_t kMostSaid = 6;
    const std::vector<BoardPlace>& places = body_.boards[i].places;
    const std::size_t count = std::min(
        {places.size() + 1, static_cast<std::size_t>(body_.boards[i].quantity), kMostSaid});
    for (std::size_t k = 0; k < count; ++k) {
      const bool isThere = k < places.size();
      if (k > 0) say(tr("and"));
      typedList(k == 0 ? tr("place %1").arg(of) : tr("place %1 %2").arg(k + 1).arg(of),
                isThere  ? qs(formatPlaces({places[k]}, style_.unit))
                : k == 0 ? tr("no place in particular")
                         : tr("no other place"),
                [i, k, unit = style_.unit](Boards& b, const QString& text) -> Problems {
                  auto& all = b.boards[i].places;
                  // It and those after it lie in a row again.
                  if (text.trimmed().isEmpty() || text.trimmed().startsWith(tr("no "))) {
                    all.resize(std::min(all.size(), k));
                    return {};
                  }
                  const auto typed = parsePlaces(text.toStdString(), unit);
                  if (!typed) return typed.problems();
                  const auto from = static_cast<std::ptrdiff_t>(k);
                  if (k < all.size()) all.erase(all.begin() + from);
                  all.insert(all.begin() + from, typed->begin(), typed->end());
                  return {};
                });
    }
  }

  void layers(std::size_t i, const QString& of) {
    const LooseBoard& one = body_.boards[i];
    for (std::size_t k = 0; k < one.layers.size(); ++k) {
      const BoardLayer& layer = one.layers[k];
      const QString where = tr("layer %1 %2").arg(k + 2).arg(of);
      say(tr("under it"));
      material(
          tr("material of %1").arg(where), layer.material,
          [i, k](Boards& b, const std::string& id) { b.boards[i].layers[k].material = id; },
          tr("the same"));
      say(tr("cut"));
      length(tr("oversize of %1").arg(where), layer.oversize,
             [i, k](Boards& b, Length l) { b.boards[i].layers[k].oversize = l; });
      say(tr("over,"));
      gaps(i, k, where);
      features(
          layer.features, where,
          [i, k](Boards& b) -> std::vector<Feature>& { return b.boards[i].layers[k].features; },
          one.length, one.width,
          findMaterial(job_, layer.material.empty() ? one.material : layer.material)->measured);
      say(tr(";"));
    }
    QStringList offers = {one.layers.empty() ? tr("it is one board") : tr("and that is all")};
    offers << tr("glue a layer under it");
    if (!one.layers.empty()) offers << tr("take the last layer off");
    choice(tr("layers %1").arg(of), offers, 0, [i](Boards& b, int chosen) {
      if (chosen == 1) b.boards[i].layers.emplace_back();
      if (chosen == 2) b.boards[i].layers.pop_back();
    });
  }

  // "60 at 100, 60 at 400"
  void gaps(std::size_t i, std::size_t k, const QString& where) {
    std::vector<BackRail> rows;
    for (const LayerGap& gap : body_.boards[i].layers[k].gaps) rows.push_back({gap.at, gap.length});
    say(tr("with gaps"));
    typedList(tr("gaps of %1").arg(where),
              rows.empty() ? tr("none") : qs(formatRailList(rows, style_)),
              [i, k, unit = style_.unit](Boards& b, const QString& text) -> Problems {
                auto& gaps = b.boards[i].layers[k].gaps;
                if (text.trimmed().isEmpty() || text.trimmed() == tr("none")) {
                  gaps.clear();
                  return {};
                }
                const auto typed = parseRailList(text.toStdString(), unit);
                if (!typed) return typed.problems();
                gaps.clear();
                for (const BackRail& row : typed.value()) gaps.push_back({row.up, row.width});
                return {};
              });
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const Boards& of) {
  return BoardsWriter(in.job, of).run();
}

template <>
QString remark(const Boards& /*of*/) {
  return {};
}

}  // namespace pp

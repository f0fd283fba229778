#include <algorithm>

#include "app/sentences/features.h"

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
    say(tr("."));
  }
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const Boards& of) {
  return BoardsWriter(in.job, of).run();
}

QString remark(const Boards& /*of*/) {
  return {};
}

}  // namespace pp

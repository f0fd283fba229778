#include <algorithm>

#include "app/stages/draw/sentences/degrees.h"
#include "app/stages/draw/sentences/writer.h"

namespace pp {
namespace {

class BoardsWriter : public SentenceWriter<Boards> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    // So many words can still be read and built at once; more boards are changed in Parts.
    constexpr std::size_t kMostSaid = 40;
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
    for (std::size_t k = 0; k < one.features.size(); ++k) feature(i, k, of);
    choice(tr("more cut into it %1").arg(of),
           {tr("and nothing more"), tr("and a hole"), tr("and a slot"), tr("and a notch"),
            tr("and a dado"), tr("and a groove"), tr("and a taper"), tr("and an arc"),
            tr("and a bevel")},
           0, [i](Boards& b, int chosen) {
             if (chosen > 0) b.boards[i].features.push_back(begun(b.boards[i], chosen - 1));
           });
    say(tr("."));
  }

  // A feature of the kind that fits the board, to be changed afterwards.
  static Feature begun(const LooseBoard& board, int kind) {
    Feature out;
    out.kind = static_cast<FeatureKind>(kind);
    out.along = board.length / 2;
    out.across = board.width / 2;
    out.size = board.width / 4;
    out.length = board.length / 4;
    out.depth = Length::mm(6);
    out.angle = Angle::degrees(30);
    switch (out.kind) {
      case FeatureKind::Hole:
        out.depth = Length{};
        break;
      case FeatureKind::Slot:
        out.depth = Length{};
        out.size = std::min(out.size, out.length);
        break;
      case FeatureKind::Notch:
        out.along = out.across = Length{};
        out.width = board.width / 4;
        break;
      case FeatureKind::Dado:
      case FeatureKind::Groove:
        out.size = Length::mm(12);
        break;
      case FeatureKind::Taper:
        out.across = board.width;
        out.size = board.width / 2;
        break;
      case FeatureKind::Arc:
        out.edge = BoardEdge::Long2;
        out.depth = board.width / 4;
        break;
      case FeatureKind::Bevel:
        out.edge = BoardEdge::Short2;
        break;
    }
    return withoutUnused(out);
  }

  void part(const QString& name, std::size_t i, std::size_t k, Length Feature::*field) {
    length(name, body_.boards[i].features[k].*field,
           [i, k, field](Boards& b, Length l) { b.boards[i].features[k].*field = l; });
  }

  void feature(std::size_t i, std::size_t k, const QString& of) {
    const Feature& one = body_.boards[i].features[k];
    const QString name = said(one.kind);
    const QString where = QStringLiteral("%1 %2 %3").arg(name).arg(k + 1).arg(of);
    say(tr(","));
    choice(where, {name, tr("take it out")}, 0, [i, k](Boards& b, int chosen) {
      auto& all = b.boards[i].features;
      if (chosen == 1) all.erase(all.begin() + static_cast<std::ptrdiff_t>(k));
    });
    switch (one.kind) {
      case FeatureKind::Hole:
        part(tr("width of %1").arg(where), i, k, &Feature::size);
        say(tr("wide at"));
        part(tr("along of %1").arg(where), i, k, &Feature::along);
        say(tr("along,"));
        part(tr("across of %1").arg(where), i, k, &Feature::across);
        say(tr("across"));
        break;
      case FeatureKind::Slot:
        part(tr("width of %1").arg(where), i, k, &Feature::size);
        say(tr("wide,"));
        part(tr("length of %1").arg(where), i, k, &Feature::length);
        say(tr("long, its middle at"));
        part(tr("along of %1").arg(where), i, k, &Feature::along);
        say(tr("along,"));
        part(tr("across of %1").arg(where), i, k, &Feature::across);
        say(tr("across"));
        break;
      case FeatureKind::Notch:
        part(tr("length of %1").arg(where), i, k, &Feature::length);
        say(tr("by"));
        part(tr("width of %1").arg(where), i, k, &Feature::width);
        say(tr("from"));
        part(tr("along of %1").arg(where), i, k, &Feature::along);
        say(tr("along,"));
        part(tr("across of %1").arg(where), i, k, &Feature::across);
        say(tr("across"));
        break;
      case FeatureKind::Dado:
      case FeatureKind::Groove:
        part(tr("width of %1").arg(where), i, k, &Feature::size);
        say(tr("wide,"));
        part(tr("depth of %1").arg(where), i, k, &Feature::depth);
        say(tr("deep, from"));
        part(tr("place of %1").arg(where), i, k,
             one.kind == FeatureKind::Dado ? &Feature::along : &Feature::across);
        break;
      case FeatureKind::Taper:
        say(tr("from"));
        part(tr("first width of %1").arg(where), i, k, &Feature::across);
        say(tr("wide to"));
        part(tr("last width of %1").arg(where), i, k, &Feature::size);
        say(tr("wide"));
        break;
      case FeatureKind::Arc:
        part(tr("hollow of %1").arg(where), i, k, &Feature::depth);
        say(tr("hollow in the middle"));
        break;
      case FeatureKind::Bevel:
        typedList(tr("angle of %1").arg(where), degreesText(one.angle),
                  [i, k](Boards& b, const QString& text) {
                    return setDegrees(text, [&](Angle a) { b.boards[i].features[k].angle = a; });
                  });
        say(tr("along"));
        choice<BoardEdge>(tr("edge of %1").arg(where), one.edge,
                          [i, k](Boards& b, BoardEdge e) { b.boards[i].features[k].edge = e; });
        break;
    }
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

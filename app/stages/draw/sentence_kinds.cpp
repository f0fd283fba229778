// The sentences about everything that is not a carcass.
#include <algorithm>
#include <map>

#include "app/stages/draw/sentence_writer.h"
#include "core/job/ids.h"

namespace pp {
namespace {

// "12.5" or "12 1/2" degrees.
Problems setDegrees(const QString& text, const std::function<void(Angle)>& set) {
  bool good = false;
  const double degrees = text.trimmed().remove(QChar(0xB0)).toDouble(&good);
  constexpr double kMillidegrees = 1000;
  if (!good || degrees < -90 || degrees > 90)
    return {{{}, 0, "angle", "'" + text.toStdString() + "'", "degrees, such as 10 or 12.5"}};
  set(Angle::millidegrees(qRound64(degrees * kMillidegrees)));
  return {};
}

QString degreesText(Angle angle) {
  constexpr double kMillidegrees = 1000;
  return QString::number(static_cast<double>(angle.inMillidegrees()) / kMillidegrees) + QChar(0xB0);
}

class TopWriter : public SentenceWriter<Top> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The top covers a run"));
    length(tr("width"), &Top::width);
    say(tr("wide and"));
    length(tr("depth"), &Top::depth);
    say(tr("deep."));
    shape();
    return std::move(out_);
  }

  // All but the run it covers.
  std::vector<Paragraph> shape() {
    begin();
    say(tr("It hangs over"));
    length(tr("left overhang"), &Top::overLeft);
    say(tr("left,"));
    length(tr("right overhang"), &Top::overRight);
    say(tr("right,"));
    length(tr("front overhang"), &Top::overFront);
    say(tr("in front and"));
    length(tr("rear overhang"), &Top::overBack);
    say(tr("behind."));
    begin();
    say(tr("It is"));
    choice(tr("top build"), {tr("one sheet on strips"), tr("two sheets glued")},
           static_cast<int>(body_.build),
           [](Top& t, int i) { t.build = static_cast<TopBuild>(i); });
    say(tr("of"));
    material(tr("top material"), &Top::material);
    if (body_.build == TopBuild::Laminated) {
      say(tr("over"));
      material(tr("lower material"), &Top::lowerMaterial, tr("the same"));
      say(tr(", which is cut"));
      length(tr("oversize"), &Top::oversize);
      say(tr("over and flush-trimmed"));
    } else {
      say(tr(", strips"));
      length(tr("strip width"), &Top::strip);
      say(tr("wide, across every"));
      length(tr("strip spacing"), &Top::stripEvery);
    }
    say(tr(". No sheet is longer than"));
    length(tr("longest sheet"), &Top::longest);
    say(tr("."));
    begin();
    say(tr("Its edging is"));
    material(tr("edging material"), &Top::edgingMaterial, tr("left out"));
    if (body_.edgingMaterial.empty()) {
      say(tr("."));
      return out_;
    }
    length(tr("edging thickness"), &Top::edging);
    say(tr("thick with"));
    choice(tr("edging corners"), {tr("mitred corners"), tr("butted corners")},
           static_cast<int>(body_.corner),
           [](Top& t, int i) { t.corner = static_cast<EdgingCorner>(i); });
    say(tr("; front"));
    yesNo(tr("front edging"), tr("bare"), tr("edged"), &Top::edgeFront);
    say(tr(", left"));
    yesNo(tr("left edging"), tr("bare"), tr("edged"), &Top::edgeLeft);
    say(tr(", right"));
    yesNo(tr("right edging"), tr("bare"), tr("edged"), &Top::edgeRight);
    say(tr(", rear"));
    yesNo(tr("rear edging"), tr("bare"), tr("edged"), &Top::edgeBack);
    say(tr("."));
    return out_;
  }
};

class GroupWriter : public SentenceWriter<CarcassGroup> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    members();
    stand();
    frame();
    top();
    return std::move(out_);
  }

 private:
  std::string firstMaterial() const { return job_.materials.front().id; }

  void members() {
    QStringList codes;
    std::map<std::string, Id> carcasses;
    for (const Assembly& one : job_.assemblies)
      if (one.isCarcass()) carcasses.emplace(one.code, one.id);
    for (const Id id : body_.members)
      if (const Assembly* member = findAssembly(job_, id)) codes << qs(member->code);
    begin();
    say(tr("The carcasses"));
    typedList(
        tr("members of the group"), codes.join(QStringLiteral(", ")),
        [carcasses](CarcassGroup& g, const QString& text) -> Problems {
          g.members.clear();
          for (const QString& word : text.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
            const std::string code = word.trimmed().toStdString();
            const auto at = carcasses.find(code);
            if (at == carcasses.end())
              return {{{}, 0, "members", "'" + code + "'", "the code of a carcass of this job"}};
            g.members.push_back(at->second);
          }
          return {};
        });
    say(tr("stand side by side, from the left."));
  }

  void stand() {
    begin();
    say(tr("They stand"));
    const std::string plywood = firstMaterial();
    choice(tr("stand"), {tr("each by itself"), tr("on one base frame")}, body_.stand ? 1 : 0,
           [plywood](CarcassGroup& g, int i) {
             g.stand.reset();
             if (i == 0) return;
             g.stand = Stand{};
             g.stand->kind = StandKind::Frame;
             g.stand->material = plywood;
           });
    if (!body_.stand) return say(tr("."));
    length(tr("stand height"), body_.stand->height,
           [](CarcassGroup& g, Length l) { g.stand->height = l; });
    say(tr("high, set in"));
    length(tr("stand set-in"), body_.stand->setIn,
           [](CarcassGroup& g, Length l) { g.stand->setIn = l; });
    say(tr(", of"));
    material(tr("stand material"), body_.stand->material,
             [](CarcassGroup& g, const std::string& id) { g.stand->material = id; });
    say(tr(", in sections of at most"));
    length(tr("longest section"), body_.stand->longest,
           [](CarcassGroup& g, Length l) { g.stand->longest = l; });
    say(tr(", cross pieces every"));
    length(tr("cross piece spacing"), body_.stand->crossEvery,
           [](CarcassGroup& g, Length l) { g.stand->crossEvery = l; });
    say(tr("."));
  }

  void frame() {
    begin();
    const std::string plywood = firstMaterial();
    choice(tr("face frame"), {tr("No face frame"), tr("One face frame")}, body_.frame ? 1 : 0,
           [plywood](CarcassGroup& g, int i) {
             g.frame.reset();
             if (i == 0) return;
             g.frame = FaceFrame{};
             g.frame->material = plywood;
             g.frame->middle = Length::mm(60);
           });
    if (!body_.frame) return say(tr("runs over them."));
    faceFrame(tr("runs over them"));
  }

  void top() {
    begin();
    const std::string plywood = firstMaterial();
    choice(tr("worktop"), {tr("No worktop"), tr("A worktop")}, body_.top ? 1 : 0,
           [plywood](CarcassGroup& g, int i) {
             g.top.reset();
             if (i == 0) return;
             g.top = Top{};
             g.top->material = plywood;
           });
    if (!body_.top) return say(tr("lies on them."));
    say(tr("lies on them."));
    const auto reach = [](Assembly& a) -> Top& { return *std::get<CarcassGroup>(a.body).top; };
    for (Paragraph& paragraph : TopWriter(job_, *body_.top, reach).shape())
      out_.push_back(std::move(paragraph));
  }
};

class BaseFrameWriter : public SentenceWriter<BaseFrame> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The base frame is"));
    length(tr("width"), &BaseFrame::width);
    say(tr("wide,"));
    length(tr("depth"), &BaseFrame::depth);
    say(tr("deep and"));
    length(tr("height"), &BaseFrame::height);
    say(tr("high, of"));
    material(tr("frame material"), &BaseFrame::material);
    say(tr(", with cross pieces every"));
    length(tr("cross piece spacing"), &BaseFrame::crossEvery);
    say(tr("or less, in sections of at most"));
    length(tr("longest section"), &BaseFrame::longest);
    say(tr("."));
    return std::move(out_);
  }
};

class WallPanelWriter : public SentenceWriter<WallPanel> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The panel is"));
    length(tr("width"), &WallPanel::width);
    say(tr("wide and"));
    length(tr("height"), &WallPanel::height);
    say(tr("high, of"));
    material(tr("panel material"), &WallPanel::material);
    say(tr("with"));
    banding(tr("edge banding"), body_.banding,
            [](WallPanel& w, const std::string& id) { w.banding = id; });
    say(tr("round it; its grain runs"));
    choice(tr("panel grain"), {tr("upright"), tr("across"), tr("either way")},
           static_cast<int>(body_.grain),
           [](WallPanel& w, int i) { w.grain = static_cast<PanelGrain>(i); });
    say(tr("."));
    begin();
    say(tr("It hangs on"));
    count(tr("number of cleats"), &WallPanel::cleats, 1, 10);
    say(tr("cleats of"));
    material(tr("cleat material"), &WallPanel::cleatMaterial);
    say(tr(", each half"));
    length(tr("cleat height"), &WallPanel::cleatHeight);
    say(tr("high, kept"));
    length(tr("cleat set-in"), &WallPanel::setIn);
    say(tr("in from its ends; a spacer keeps it off the wall below."));
    return std::move(out_);
  }
};

class SeatBoxWriter : public SentenceWriter<SeatBox> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The bench is"));
    length(tr("width"), &SeatBox::width);
    say(tr("wide,"));
    length(tr("height"), &SeatBox::height);
    say(tr("high to the top of its lids and"));
    length(tr("depth"), &SeatBox::depth);
    say(tr("deep, of"));
    material(tr("bench material"), &SeatBox::material);
    say(tr(", put together with"));
    choice(tr("joint"),
           {tr("glue and screws"), tr("dados"), tr("pocket screws"), tr("loose tenons"),
            tr("dowels"), tr("brads")},
           static_cast<int>(body_.joint),
           [](SeatBox& s, int i) { s.joint = static_cast<Joint>(i); });
    say(tr("."));
    begin();
    say(tr("It has"));
    count(tr("number of lids"), &SeatBox::lids, 1, 10);
    say(tr("lids with"));
    length(tr("lid gap"), &SeatBox::lidGap);
    say(tr("between them, hinged to a rail"));
    length(tr("hinge rail"), &SeatBox::hingeRail);
    say(tr("deep, hanging over"));
    length(tr("front overhang"), &SeatBox::overFront);
    say(tr("in front, with"));
    banding(tr("lid banding"), body_.banding,
            [](SeatBox& s, const std::string& id) { s.banding = id; });
    say(tr("on their edges."));
    begin();
    say(tr("A back"));
    length(tr("back height"), &SeatBox::backHeight);
    say(tr("high leans"));
    typedList(tr("lean"), degreesText(body_.lean), [](SeatBox& s, const QString& text) {
      return setDegrees(text, [&s](Angle a) { s.lean = a; });
    });
    say(tr("on brackets"));
    length(tr("bracket top"), &SeatBox::bracketTop);
    say(tr("wide above. At the foot of the wall it"));
    choice(tr("batten"), {tr("stands clear"), tr("is notched over a batten")}, body_.batten ? 1 : 0,
           [](SeatBox& s, int i) {
             if (i == 0)
               s.batten.reset();
             else if (!s.batten)
               s.batten = Baseboard{Length::mm(20), Length::mm(40)};
           });
    if (body_.batten) {
      length(tr("batten thickness"), body_.batten->thickness,
             [](SeatBox& s, Length l) { s.batten->thickness = l; });
      say(tr("by"));
      length(tr("batten height"), body_.batten->height,
             [](SeatBox& s, Length l) { s.batten->height = l; });
    }
    say(tr("."));
    return std::move(out_);
  }
};

class PlatformWriter : public SentenceWriter<Platform> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The platform is"));
    length(tr("width"), &Platform::width);
    say(tr("wide,"));
    length(tr("depth"), &Platform::depth);
    say(tr("deep and"));
    length(tr("height"), &Platform::height);
    say(tr("high, of"));
    material(tr("platform material"), &Platform::material);
    say(tr(". It is"));
    count(tr("boxes across"), &Platform::across, 1, 20);
    say(tr("boxes across and"));
    count(tr("boxes deep"), &Platform::deep, 1, 20);
    say(tr("deep, each with its own deck."));
    return std::move(out_);
  }
};

class RingWriter : public SentenceWriter<Ring> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The ring is"));
    count(tr("number of pieces"), &Ring::pieces, 3, 100);
    say(tr("equal pieces of"));
    material(tr("ring material"), &Ring::material);
    say(tr(", each"));
    length(tr("side"), &Ring::side);
    say(tr("long at its long points and"));
    length(tr("board width"), &Ring::width);
    say(tr("wide, both ends bevelled %1.")
            .arg(degreesText(Angle::millidegrees(180'000 / std::max(body_.pieces, 3)))));
    return std::move(out_);
  }
};

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
    choice(tr("grain %1").arg(of), {tr("along it"), tr("across it"), tr("either way")},
           static_cast<int>(one.grain),
           [i](Boards& b, int g) { b.boards[i].grain = static_cast<BoardGrain>(g); });
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
    const QString names[] = {tr("hole"),   tr("slot"),  tr("notch"), tr("dado"),
                             tr("groove"), tr("taper"), tr("arc"),   tr("bevel")};
    const QString name = names[static_cast<int>(one.kind)];
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
        choice(tr("edge of %1").arg(where),
               {tr("the lower edge"), tr("the upper edge"), tr("the first end"), tr("the far end")},
               static_cast<int>(one.edge), [i, k](Boards& b, int e) {
                 b.boards[i].features[k].edge = static_cast<BoardEdge>(e);
               });
        break;
    }
  }
};

}  // namespace

std::vector<Paragraph> describeGroup(const Job& job, const CarcassGroup& group) {
  return GroupWriter(job, group).run();
}
std::vector<Paragraph> describeTop(const Job& job, const Top& top) {
  return TopWriter(job, top).run();
}
std::vector<Paragraph> describeBaseFrame(const Job& job, const BaseFrame& frame) {
  return BaseFrameWriter(job, frame).run();
}
std::vector<Paragraph> describeWallPanel(const Job& job, const WallPanel& panel) {
  return WallPanelWriter(job, panel).run();
}
std::vector<Paragraph> describeSeatBox(const Job& job, const SeatBox& seat) {
  return SeatBoxWriter(job, seat).run();
}
std::vector<Paragraph> describePlatform(const Job& job, const Platform& platform) {
  return PlatformWriter(job, platform).run();
}
std::vector<Paragraph> describeRing(const Job& job, const Ring& ring) {
  return RingWriter(job, ring).run();
}
std::vector<Paragraph> describeBoards(const Job& job, const Boards& boards) {
  return BoardsWriter(job, boards).run();
}

}  // namespace pp

#include "app/sentences/fittings.h"
#include "app/sentences/opening.h"
#include "app/sentences/writer.h"
#include "core/designs/size_list.h"
#include "core/formats/usual_sizes.h"
#include "core/kinds/carcass/layout.h"

namespace pp {
namespace {

class CarcassWriter : public SentenceWriter<Carcass> {
 public:
  CarcassWriter(const Job& job, const Assembly& assembly)
      : SentenceWriter(job, assembly.carcass()),
        id_(assembly.id),
        group_(groupOf(job, assembly.id)) {}

  std::vector<Paragraph> run() {
    sizes();
    joints();
    back();
    foot();
    frame();
    return std::move(out_);
  }

 private:
  void sizes() {
    begin();
    say(tr("The carcass is"));
    length(tr("width"), &Carcass::width);
    say(tr("wide,"));
    length(tr("height"), &Carcass::height);
    say(tr("high and"));
    length(tr("depth"), &Carcass::depth);
    say(tr("deep, of"));
    material(tr("case material"), &Carcass::material);
    say(tr("with"));
    banding(tr("front edge banding"), body_.banding,
            [](Carcass& c, const std::string& id) { c.banding = id; });
    say(tr("on its front edges. Kept free of a wall: left"));
    length(tr("left wall allowance"), &Carcass::wallLeft);
    filler(tr("left filler"), body_.wallLeft, &Carcass::fillerLeft);
    say(tr(", right"));
    length(tr("right wall allowance"), &Carcass::wallRight);
    filler(tr("right filler"), body_.wallRight, &Carcass::fillerRight);
    if (body_.fillerLeft || body_.fillerRight) {
      say(tr("; fillers are cut"));
      length(tr("scribe"), &Carcass::scribe);
      say(tr("larger, to be scribed"));
    }
    say(tr(". Outside on the left it has"));
    material(tr("left end panel"), &Carcass::endLeft, tr("no end panel"));
    say(tr(", on the right"));
    material(tr("right end panel"), &Carcass::endRight, tr("no end panel"));
    say(tr(". Its sides are"));
    choice(tr("linings"),
           {tr("single"), tr("lined on the left"), tr("lined on the right"), tr("lined on both")},
           (body_.liningLeft ? 1 : 0) + (body_.liningRight ? 2 : 0), [](Carcass& c, int i) {
             c.liningLeft = (i & 1) != 0;
             c.liningRight = (i & 2) != 0;
           });
    say(tr("."));
  }

  void filler(const QString& name, Length room, bool Carcass::*field) {
    if (room > Length{} || body_.*field)
      yesNo(name, tr("left open"), tr("closed by a filler"), field);
  }

  void joints() {
    begin();
    say(tr("The top"));
    choice<TopConstruction>(tr("top"), body_.top, [](Carcass& c, TopConstruction i) { c.top = i; });
    if (body_.top == TopConstruction::EndRabbets)
      length(tr("top rabbet depth"), &Carcass::topRabbet);
    if (body_.top == TopConstruction::Stretchers || body_.top == TopConstruction::StandingRail)
      length(tr("stretcher width"), &Carcass::stretcher);
    if (body_.top == TopConstruction::Mitred) {
      say(tr("with"));
      count(tr("tenons in each mitre"), &Carcass::mitreTenons, 0, 20);
      say(tr("loose tenons in each corner, cut"));
      choice<Waterfall>(tr("grain round the corners"), body_.waterfall,
                        [](Carcass& c, Waterfall i) { c.waterfall = i; });
    }
    say(tr(". Panels are"));
    choice<Joint>(tr("joint"), body_.joint, [](Carcass& c, Joint i) { c.joint = i; });
    if (body_.joint != Joint::Dado && !dadoChosen()) return say(tr("."));
    if (body_.joint != Joint::Dado) say(tr(", dados where they are chosen"));
    length(tr("dado depth"), &Carcass::dadoDepth);
    say(tr("deep."));
  }

  // For an end of a part.
  bool dadoChosen() const {
    const PartChoices choices(job_, id_);
    for (const PartOverride* one : choices.all())
      for (const EdgeChoice& edge : one->edges)
        if (edge.joint == Joint::Dado) return true;
    return false;
  }

  void back() {
    begin();
    const Back& back = body_.back;
    say(tr("The back"));
    choice<BackSchool>(tr("back"), back.school,
                       [](Carcass& c, BackSchool i) { c.back.school = i; });
    if (back.school == BackSchool::None) return rails();
    const bool groove = body_.backSetIn();
    if (groove || back.school == BackSchool::RabbetAll || back.school == BackSchool::RabbetSides) {
      length(groove ? tr("back groove depth") : tr("rabbet depth"), back.rabbetDepth,
             [](Carcass& c, Length l) { c.back.rabbetDepth = l; });
      say(tr("deep"));
      if (groove) {
        say(tr("and set in"));
        length(tr("back set-in"), back.setIn, [](Carcass& c, Length l) { c.back.setIn = l; });
      }
      say(tr(", with"));
      length(tr("back clearance"), back.clearance,
             [](Carcass& c, Length l) { c.back.clearance = l; });
      say(tr("clearance in all"));
    }
    if (back.school == BackSchool::Between) {
      say(tr(", nailed to strips"));
      length(tr("nailing strip"), back.strip, [](Carcass& c, Length l) { c.back.strip = l; });
      say(tr("wide (0: none)"));
    }
    say(tr(". It is"));
    material(tr("back material"), back.material,
             [](Carcass& c, const std::string& id) { c.back.material = id; });
    say(tr("in"));
    pieces();
    say(tr("with its grain"));
    choice<PanelGrain>(tr("back grain"), back.grain,
                       [](Carcass& c, PanelGrain i) { c.back.grain = i; });
    say(tr("."));
  }

  void pieces() {
    const QString few = tr("as few as sheets give");
    const int now = body_.back.pieces;
    typedList(tr("pieces of the back"),
              now == 0   ? few
              : now == 1 ? tr("1 piece")
                         : tr("%1 pieces").arg(now),
              [few](Carcass& c, const QString& text) -> Problems {
                c.back.pieces = 0;
                if (text.trimmed().isEmpty() || text == few) return {};
                const auto n =
                    parseCount(text.trimmed().section(QLatin1Char(' '), 0, 0).toStdString(), 1, 20);
                if (!n) return n.problems();
                c.back.pieces = static_cast<int>(*n);
                return {};
              });
    if (now < 2) return;
    choice(tr("pieces counted"), {tr("from the left"), tr("from the right")},
           body_.back.fromRight ? 1 : 0, [](Carcass& c, int i) { c.back.fromRight = i == 1; });
  }

  void rails() {
    const QString one = tr("one under the top");
    say(tr(":"));
    typedList(tr("back rails"),
              body_.back.rails.empty() ? one : qs(formatRailList(body_.back.rails, style_)),
              [one, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                auto read = parseRailList(text == one ? std::string() : text.toStdString(), unit);
                if (!read) return read.problems();
                c.back.rails = std::move(read).value();
                return {};
              });
    if (!body_.back.rails.empty()) {
      say(tr("above the bottom,"));
      choice<RailPlace>(tr("rails go"), body_.back.railPlace,
                        [](Carcass& c, RailPlace i) { c.back.railPlace = i; });
    }
    say(tr("."));
  }

  int footNow() const {
    if (body_.toe) return 1;
    if (body_.cleat) return 6;
    if (!body_.stand) return 0;
    const int kinds[] = {2, 3, 4, 5};
    return kinds[static_cast<int>(body_.stand->kind)];
  }

  void foot() {
    begin();
    if (group_ != nullptr && group_->stand)
      return say(tr("It stands on what its group stands on."));
    say(tr("It stands on"));
    const std::string plywood = body_.material;
    choice(tr("foot"),
           {tr("its sides and bottom"), tr("a recessed toe"), tr("a base frame"), tr("legs"),
            tr("runners"), tr("casters"), tr("a wall, hung on a cleat")},
           footNow(), [plywood, unit = style_.unit](Carcass& c, int i) {
             const StandKind kinds[] = {StandKind::Frame, StandKind::Legs, StandKind::Runners,
                                        StandKind::Casters};
             c.toe.reset();
             c.cleat.reset();
             if (i == 1) c.raised = Length{};
             if (i < 2 || i > 5) c.stand.reset();
             if (i == 1) c.toe = inUsualSizes(Toe{}, unit);
             if (i == 6) c.cleat = Cleat{plywood, usual(unit, Length::mm(80), Length::in(3))};
             if (i < 2 || i > 5) return;
             if (!c.stand) c.stand = inUsualSizes(Stand{}, unit);
             c.stand->kind = kinds[i - 2];
             if (c.stand->material.empty()) c.stand->material = plywood;
           });
    if (body_.toe) {
      length(tr("toe height"), body_.toe->height, [](Carcass& c, Length l) { c.toe->height = l; });
      say(tr("high and"));
      length(tr("toe depth"), body_.toe->depth, [](Carcass& c, Length l) { c.toe->depth = l; });
      say(tr("deep"));
    }
    if (body_.stand) {
      length(tr("stand height"), body_.stand->height,
             [](Carcass& c, Length l) { c.stand->height = l; });
      say(tr("high"));
      if (body_.stand->kind == StandKind::Frame || body_.stand->kind == StandKind::Runners) {
        say(tr(", set in"));
        length(tr("stand set-in"), body_.stand->setIn,
               [](Carcass& c, Length l) { c.stand->setIn = l; });
        say(tr(", of"));
        material(tr("stand material"), body_.stand->material,
                 [](Carcass& c, const std::string& id) { c.stand->material = id; });
      }
      if (body_.stand->kind == StandKind::Frame) {
        say(tr(", in sections of at most"));
        length(tr("longest section"), body_.stand->longest,
               [](Carcass& c, Length l) { c.stand->longest = l; });
      }
    }
    if (body_.cleat) {
      length(tr("cleat height"), body_.cleat->height,
             [](Carcass& c, Length l) { c.cleat->height = l; });
      say(tr("high, of"));
      material(tr("cleat material"), body_.cleat->material,
               [](Carcass& c, const std::string& id) { c.cleat->material = id; });
    }
    if (!body_.toe && body_.top != TopConstruction::Mitred) {
      say(tr(", the bottom raised by"));
      length(tr("raised bottom"), &Carcass::raised);
    }
    say(tr(". Behind it the wall"));
    choice(tr("baseboard"), {tr("is plain"), tr("has a baseboard")}, body_.baseboard ? 1 : 0,
           [unit = style_.unit](Carcass& c, int i) {
             if (i == 0)
               c.baseboard.reset();
             else if (!c.baseboard)
               c.baseboard = inUsualSizes(Baseboard{}, unit);
           });
    if (body_.baseboard) {
      length(tr("baseboard thickness"), body_.baseboard->thickness,
             [](Carcass& c, Length l) { c.baseboard->thickness = l; });
      say(tr("thick and"));
      length(tr("baseboard height"), body_.baseboard->height,
             [](Carcass& c, Length l) { c.baseboard->height = l; });
      say(tr("high"));
    }
    say(tr("."));
  }

  void frame() {
    begin();
    if (group_ != nullptr && group_->frame) return say(tr("The face frame is its group's."));
    const std::string plywood = body_.material;
    choice(tr("face frame"), {tr("No face frame"), tr("A face frame")}, body_.frame ? 1 : 0,
           [plywood, unit = style_.unit](Carcass& c, int i) {
             if (i == 0)
               c.frame.reset();
             else if (!c.frame) {
               c.frame = inUsualSizes(FaceFrame{}, unit);
               c.frame->material = plywood;
             }
           });
    if (!body_.frame) return say(tr("covers its front edges."));
    faceFrame(tr("covers its front edges"));
  }

  Id id_;
  const CarcassGroup* group_;
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const Carcass& /*of*/) {
  std::vector<Paragraph> out;
  if (in.selected) out = openingSentence(in.job, in.assembly, *in.selected);
  for (Paragraph& paragraph : CarcassWriter(in.job, in.assembly).run())
    out.push_back(std::move(paragraph));
  for (Paragraph& paragraph : fittingSentences(in.job, in.assembly))
    out.push_back(std::move(paragraph));
  return out;
}

namespace {

QString jointRemark(Joint joint) {
  switch (joint) {
    case Joint::Dado:
      return QObject::tr(
          "Dados cost settings at the saw and save time at glue-up: the case holds "
          "itself square.");
    case Joint::Pocket:
      return QObject::tr(
          "Pocket screws are quick; they need a hidden face and room for the driver.");
    case Joint::LooseTenon:
    case Joint::Dowel:
      return QObject::tr("Nothing shows outside; every mortise costs a setting and must line up.");
    case Joint::Brads:
      return QObject::tr("Brads only hold while the glue dries: for boxes and light shop work.");
    case Joint::Butt:
      break;
  }
  return QObject::tr(
      "Butt joints need no machining; clamp square and mark every panel's place "
      "before driving screws.");
}

}  // namespace

template <>
QString remark(const Carcass& of) {
  if (of.cleat)
    return QObject::tr(
        "Hung units are screwed into studs or masonry: follow the local code, and "
        "ask someone licensed where the wall is in doubt.");
  return jointRemark(of.joint);
}

}  // namespace pp

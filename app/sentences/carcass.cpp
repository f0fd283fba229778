#include "app/sentences/opening.h"
#include "app/sentences/writer.h"
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
    if (any(body_.inside, [](const Opening& o) { return isBank(o); })) drawers();
    if (any(body_.inside, [](const Opening& o) { return isBank(o) || o.door; })) fronts();
    if (any(body_.inside, [](const Opening& o) {
          return std::holds_alternative<AdjustableShelves>(o.content) ||
                 std::holds_alternative<LooseShelves>(o.content);
        }))
      shelves();
    return std::move(out_);
  }

 private:
  static bool isBank(const Opening& o) { return std::holds_alternative<DrawerBank>(o.content); }

  static bool any(const Opening& opening, const std::function<bool(const Opening&)>& test) {
    if (test(opening)) return true;
    if (const auto* split = std::get_if<Split>(&opening.content))
      for (const Opening& child : split->children)
        if (any(child, test)) return true;
    return false;
  }

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
    say(tr(", right"));
    length(tr("right wall allowance"), &Carcass::wallRight);
    say(tr(". Its sides are"));
    choice(tr("linings"),
           {tr("single"), tr("lined on the left"), tr("lined on the right"), tr("lined on both")},
           (body_.liningLeft ? 1 : 0) + (body_.liningRight ? 2 : 0), [](Carcass& c, int i) {
             c.liningLeft = (i & 1) != 0;
             c.liningRight = (i & 2) != 0;
           });
    say(tr("."));
  }

  void joints() {
    begin();
    say(tr("The top"));
    choice<TopSchool>(tr("top"), body_.top, [](Carcass& c, TopSchool i) { c.top = i; });
    if (body_.top == TopSchool::EndRabbets) length(tr("top rabbet depth"), &Carcass::topRabbet);
    if (body_.top == TopSchool::Stretchers || body_.top == TopSchool::StandingRail)
      length(tr("stretcher width"), &Carcass::stretcher);
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
    if (back.school == BackSchool::None) return say(tr("."));
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
    say(tr(". It is"));
    material(tr("back material"), back.material,
             [](Carcass& c, const std::string& id) { c.back.material = id; });
    say(tr("with its grain"));
    choice<PanelGrain>(tr("back grain"), back.grain,
                       [](Carcass& c, PanelGrain i) { c.back.grain = i; });
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
           footNow(), [plywood](Carcass& c, int i) {
             const StandKind kinds[] = {StandKind::Frame, StandKind::Legs, StandKind::Runners,
                                        StandKind::Casters};
             c.toe.reset();
             c.cleat.reset();
             if (i == 1) c.raised = Length{};
             if (i < 2 || i > 5) c.stand.reset();
             if (i == 1) c.toe = Toe{};
             if (i == 6) c.cleat = Cleat{plywood, Length::mm(80)};
             if (i < 2 || i > 5) return;
             if (!c.stand) c.stand = Stand{};
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
    if (!body_.toe && body_.top != TopSchool::Mitred) {
      say(tr(", the bottom raised by"));
      length(tr("raised bottom"), &Carcass::raised);
    }
    say(tr(". Behind it the wall"));
    choice(tr("baseboard"), {tr("is plain"), tr("has a baseboard")}, body_.baseboard ? 1 : 0,
           [](Carcass& c, int i) {
             if (i == 0)
               c.baseboard.reset();
             else if (!c.baseboard)
               c.baseboard = Baseboard{};
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
           [plywood](Carcass& c, int i) {
             if (i == 0)
               c.frame.reset();
             else if (!c.frame) {
               c.frame = FaceFrame{};
               c.frame->material = plywood;
             }
           });
    if (!body_.frame) return say(tr("covers its front edges."));
    faceFrame(tr("covers its front edges"));
  }

  void drawers() {
    const DrawerRules& rules = body_.drawers;
    begin();
    say(tr("Drawer boxes are"));
    material(tr("drawer box material"), rules.boxMaterial,
             [](Carcass& c, const std::string& id) { c.drawers.boxMaterial = id; });
    say(tr("with bottoms of"));
    material(tr("drawer bottom material"), rules.bottomMaterial,
             [](Carcass& c, const std::string& id) { c.drawers.bottomMaterial = id; });
    say(tr(":"));
    choice<DrawerSchool>(tr("drawer school"), rules.school,
                         [](Carcass& c, DrawerSchool i) { c.drawers.school = i; });
    say(tr(". They run on"));
    choice<Running>(tr("running"), rules.running,
                    [](Carcass& c, Running i) { c.drawers.running = i; });
    if (rules.school != DrawerSchool::Brads) {
      say(tr(". Grooves are"));
      length(tr("groove depth"), rules.grooveDepth,
             [](Carcass& c, Length l) { c.drawers.grooveDepth = l; });
      say(tr("deep,"));
      length(tr("groove height"), rules.grooveUp,
             [](Carcass& c, Length l) { c.drawers.grooveUp = l; });
      say(tr("up"));
    }
    if (rules.school == DrawerSchool::RabbetedFront) {
      say(tr(", the front's rabbets"));
      length(tr("front's rabbet depth"), rules.frontRabbet,
             [](Carcass& c, Length l) { c.drawers.frontRabbet = l; });
      say(tr("deep, the back in dados"));
      length(tr("drawer back dado depth"), rules.backDado,
             [](Carcass& c, Length l) { c.drawers.backDado = l; });
      say(tr("deep and set in"));
      length(tr("drawer back set-in"), rules.backSetIn,
             [](Carcass& c, Length l) { c.drawers.backSetIn = l; });
    }
    if (rules.running == Running::WoodenRunners) {
      say(tr(", runners"));
      length(tr("runner height"), rules.runnerHeight,
             [](Carcass& c, Length l) { c.drawers.runnerHeight = l; });
      say(tr("high"));
    }
    if (rules.running == Running::SideSlides && (body_.frame || (group_ && group_->frame))) {
      say(tr(". Pads beside the frame are"));
      length(tr("pad width"), rules.padWidth, [](Carcass& c, Length l) { c.drawers.padWidth = l; });
      say(tr("wide and"));
      choice(tr("pad length from"), {tr("as long as the slide"), tr("cut to")},
             rules.padLength > Length{} ? 1 : 0,
             [](Carcass& c, int i) { c.drawers.padLength = i == 0 ? Length{} : Length::mm(300); });
      if (rules.padLength > Length{})
        length(tr("pad length"), rules.padLength,
               [](Carcass& c, Length l) { c.drawers.padLength = l; });
    }
    say(tr(". Boxes are"));
    length(tr("drawer ease"), rules.ease, [](Carcass& c, Length l) { c.drawers.ease = l; });
    say(tr("narrower than their place, bottoms"));
    length(tr("drawer bottom clearance"), rules.bottomClearance,
           [](Carcass& c, Length l) { c.drawers.bottomClearance = l; });
    say(tr("smaller in all; behind a slide"));
    length(tr("slide reserve"), rules.slideReserve,
           [](Carcass& c, Length l) { c.drawers.slideReserve = l; });
    say(tr("stays free. Behind equal fronts boxes are"));
    choice(tr("equal boxes"), {tr("as high as those"), tr("equal shares of the clear height")},
           rules.evenBoxes ? 1 : 0, [](Carcass& c, int i) { c.drawers.evenBoxes = i == 1; });
    say(tr(". Below a box"));
    length(tr("lower clearance"), rules.lowerClearance,
           [](Carcass& c, Length l) { c.drawers.lowerClearance = l; });
    say(tr("stays free, above it"));
    length(tr("upper clearance"), rules.upperClearance,
           [](Carcass& c, Length l) { c.drawers.upperClearance = l; });
    say(tr("."));
  }

  void fronts() {
    const FrontRules& rules = body_.fronts;
    begin();
    say(tr("Fronts are"));
    choice<FrontStyle>(tr("front style"), rules.style,
                       [](Carcass& c, FrontStyle i) { c.fronts.style = i; });
    say(tr("of"));
    material(tr("front material"), rules.material,
             [](Carcass& c, const std::string& id) { c.fronts.material = id; });
    if (rules.style == FrontStyle::Slab) {
      say(tr("with"));
      banding(tr("front banding"), rules.banding,
              [](Carcass& c, const std::string& id) { c.fronts.banding = id; });
      say(tr("round them"));
    } else {
      length(tr("front frame width"), rules.frameWidth,
             [](Carcass& c, Length l) { c.fronts.frameWidth = l; });
      say(tr("wide, panels of"));
      material(
          tr("front panel material"), rules.panelMaterial,
          [](Carcass& c, const std::string& id) { c.fronts.panelMaterial = id; }, tr("the same"));
      say(tr("let in"));
      length(tr("front tongue"), rules.tongue, [](Carcass& c, Length l) { c.fronts.tongue = l; });
      say(tr("and"));
      length(tr("front panel clearance"), rules.panelClearance,
             [](Carcass& c, Length l) { c.fronts.panelClearance = l; });
      say(tr("smaller in all"));
    }
    say(tr(", "));
    choice<FrontFit>(tr("front fit"), rules.fit, [](Carcass& c, FrontFit i) { c.fronts.fit = i; });
    if (rules.fit == FrontFit::Overlay) {
      length(tr("overlay"), rules.overlay, [](Carcass& c, Length l) { c.fronts.overlay = l; });
      say(tr("at the outside"));
    }
    say(tr("with a gap of"));
    length(tr("front gap"), rules.gap, [](Carcass& c, Length l) { c.fronts.gap = l; });
    say(tr(". They are opened by"));
    choice(tr("pull"), {tr("a pull"), tr("a bevelled edge")}, rules.fingerPull ? 1 : 0,
           [](Carcass& c, int i) { c.fronts.fingerPull = i == 1; });
    if (!rules.fingerPull) {
      say(tr(", on doors"));
      length(tr("pull from the edge"), rules.pullFromEdge,
             [](Carcass& c, Length l) { c.fronts.pullFromEdge = l; });
      say(tr("from the free edge"));
    }
    say(tr(", and they are"));
    ownFinish(tr("front finish"), rules.finish,
              [](Carcass& c, std::optional<Finish> finish) { c.fronts.finish = finish; });
    say(tr("."));
  }

  void shelves() {
    const ShelfRules& rules = body_.shelves;
    begin();
    say(tr("Shelves that come out are"));
    length(tr("shelf clearance"), rules.clearance,
           [](Carcass& c, Length l) { c.shelves.clearance = l; });
    say(tr("short each way, set back"));
    length(tr("shelf set-back"), rules.setBack,
           [](Carcass& c, Length l) { c.shelves.setBack = l; });
    say(tr(", with a lip of"));
    length(tr("shelf lip"), rules.lip, [](Carcass& c, Length l) { c.shelves.lip = l; });
    say(tr("below; pins are"));
    length(tr("pin pitch"), rules.pinPitch, [](Carcass& c, Length l) { c.shelves.pinPitch = l; });
    say(tr("apart,"));
    length(tr("pin set-back"), rules.pinSetBack,
           [](Carcass& c, Length l) { c.shelves.pinSetBack = l; });
    say(tr("from front and back,"));
    length(tr("pin diameter"), rules.pinDiameter,
           [](Carcass& c, Length l) { c.shelves.pinDiameter = l; });
    say(tr("wide and"));
    length(tr("pin depth"), rules.pinDepth, [](Carcass& c, Length l) { c.shelves.pinDepth = l; });
    say(tr("deep."));
  }

  Id id_;
  const CarcassGroup* group_;
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const Carcass& /*of*/) {
  std::vector<Paragraph> out;
  if (in.selected) out = openingSentence(in.job, in.assembly, *in.selected);
  for (Paragraph& paragraph : CarcassWriter(in.job, in.assembly).run())
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

QString remark(const Carcass& of) {
  if (of.cleat)
    return QObject::tr(
        "Hung units are screwed into studs or masonry: follow the local code, and "
        "ask someone licensed where the wall is in doubt.");
  return jointRemark(of.joint);
}

}  // namespace pp

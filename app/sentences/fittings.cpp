#include "app/sentences/fittings.h"

#include "app/sentences/writer.h"
#include "core/kinds/carcass/layout.h"

namespace pp {
namespace {

class FittingsWriter : public SentenceWriter<Carcass> {
 public:
  FittingsWriter(const Job& job, const Assembly& assembly)
      : SentenceWriter(job, assembly.carcass()), group_(groupOf(job, assembly.id)) {}

  std::vector<Paragraph> run() {
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
      say(tr("at the outside, leaving"));
      ownLength(tr("reveal"), rules.reveal, tr("what that leaves"),
                [](Carcass& c, std::optional<Length> l) { c.fronts.reveal = l; });
      say(tr("of the edge to be seen"));
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
    if (any(body_.inside, [](const Opening& o) {
          return o.door && (o.door->hinge == Hinge::Top || o.door->hinge == Hinge::Bottom);
        })) {
      say(tr(". Lids and flaps turn"));
      choice<LidHinge>(tr("lid hinges"), rules.lidHinge,
                       [](Carcass& c, LidHinge h) { c.fronts.lidHinge = h; });
      if (rules.lidHinge != LidHinge::Cups) {
        say(tr("with"));
        length(tr("knuckle"), rules.knuckle, [](Carcass& c, Length l) { c.fronts.knuckle = l; });
        say(tr("for their knuckles"));
      }
    }
    if (any(body_.inside,
            [](const Opening& o) { return o.door && o.door->hinge == Hinge::Sliding; })) {
      say(tr(". Sliding panels stand in grooves"));
      length(tr("sliding groove depth"), rules.slideGroove,
             [](Carcass& c, Length l) { c.fronts.slideGroove = l; });
      say(tr("deep below and twice that above"));
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
    say(tr("below; loose ones lie on strips"));
    length(tr("shelf strips"), rules.ledge, [](Carcass& c, Length l) { c.shelves.ledge = l; });
    say(tr("wide; pins are"));
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

  const CarcassGroup* group_;
};

}  // namespace

std::vector<Paragraph> fittingSentences(const Job& job, const Assembly& assembly) {
  return FittingsWriter(job, assembly).run();
}

}  // namespace pp

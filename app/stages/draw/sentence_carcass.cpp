#include <array>

#include "app/stages/draw/sentence_writer.h"
#include "core/breakdown/layout.h"
#include "core/job/size_list.h"

namespace pp {
namespace {

class CarcassWriter : public SentenceWriter<Carcass> {
 public:
  CarcassWriter(const Job& job, const Assembly& assembly)
      : SentenceWriter(job, assembly.carcass()),
        assembly_(assembly),
        group_(groupOf(job, assembly.id)) {}

  std::vector<Paragraph> run(const std::optional<OpeningPath>& selected) {
    if (selected) opening(*selected);
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
    choice(tr("top"),
           {tr("sits between the sides"), tr("lies on the sides"),
            tr("sits in rabbets at their ends"), tr("meets the sides in mitres"),
            tr("is two stretchers"), tr("is a stretcher and a rail on edge")},
           static_cast<int>(body_.top),
           [](Carcass& c, int i) { c.top = static_cast<TopSchool>(i); });
    if (body_.top == TopSchool::EndRabbets) length(tr("top rabbet depth"), &Carcass::topRabbet);
    if (body_.top == TopSchool::Stretchers || body_.top == TopSchool::StandingRail)
      length(tr("stretcher width"), &Carcass::stretcher);
    say(tr(". Panels are"));
    choice(tr("joint"),
           {tr("butted, glued and screwed"), tr("let into dados"), tr("pocket screwed"),
            tr("joined with loose tenons"), tr("joined with dowels"), tr("glued and bradded")},
           static_cast<int>(body_.joint),
           [](Carcass& c, int i) { c.joint = static_cast<Joint>(i); });
    if (body_.joint != Joint::Dado) return say(tr("."));
    length(tr("dado depth"), &Carcass::dadoDepth);
    say(tr("deep."));
  }

  void back() {
    begin();
    const Back& back = body_.back;
    say(tr("The back"));
    choice(tr("back"),
           {tr("lies in a rabbet all round"), tr("lies in rabbets of the sides"),
            tr("stands in a groove"), tr("is screwed on behind"), tr("stands between, on strips"),
            tr("is left out, with rails")},
           static_cast<int>(back.school),
           [](Carcass& c, int i) { c.back.school = static_cast<BackSchool>(i); });
    if (back.school == BackSchool::None) return say(tr("."));
    const bool groove = back.school == BackSchool::Groove;
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
    choice(tr("back grain"), {tr("upright"), tr("across"), tr("either way")},
           static_cast<int>(back.grain),
           [](Carcass& c, int i) { c.back.grain = static_cast<PanelGrain>(i); });
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

  // Changes the opening at `path`.
  static void change(Carcass& carcass, const OpeningPath& path,
                     const std::function<void(Opening&)>& set) {
    Opening opening = *find(carcass.inside, path);
    set(opening);
    carcass.inside = replaced(carcass.inside, path, opening);
  }
  template <class C>
  static void changeContent(Carcass& carcass, const OpeningPath& path,
                            const std::function<void(C&)>& set) {
    change(carcass, path, [&set](Opening& o) {
      if (C* content = std::get_if<C>(&o.content)) set(*content);
    });
  }

  void opening(const OpeningPath& path) {
    const Opening* here = find(body_.inside, path);
    if (here == nullptr) return;
    begin();
    const auto layout = pp::layOut(job_, assembly_);
    if (layout)
      for (const OpeningRect& leaf : layout->leaves)
        if (leaf.path == path)
          say(tr("The opening chosen is %1.")
                  .arg(figures(leaf.rect.width, leaf.rect.height, style_)));
    if (!path.empty()) sizesAround(path);
    if (const auto* pins = std::get_if<AdjustableShelves>(&here->content)) {
      say(tr("It holds"));
      count(tr("number of shelves"), pins->count, 1, 50, [path](Carcass& c, int n) {
        changeContent<AdjustableShelves>(c, path, [n](AdjustableShelves& s) { s.count = n; });
      });
      say(tr("adjustable shelves."));
    }
    if (const auto* loose = std::get_if<LooseShelves>(&here->content)) {
      say(tr("It holds"));
      count(tr("number of shelves"), loose->count, 1, 50, [path](Carcass& c, int n) {
        changeContent<LooseShelves>(c, path, [n](LooseShelves& s) { s.count = n; });
      });
      say(tr("shelves on strips."));
    }
    if (const auto* bank = std::get_if<DrawerBank>(&here->content)) bankWords(path, *bank);
    door(path, *here);
  }

  void door(const OpeningPath& path, const Opening& here) {
    say(tr("It is"));
    choice(tr("door"),
           {tr("open"), tr("closed by a door hinged left"), tr("closed by a door hinged right"),
            tr("closed by a pair of doors"), tr("closed by a lid hinged above"),
            tr("closed by a flap hinged below")},
           here.door ? static_cast<int>(here.door->hinge) + 1 : 0, [path](Carcass& c, int i) {
             change(c, path, [i](Opening& o) {
               o.door.reset();
               if (i > 0) o.door = Door{static_cast<Hinge>(i - 1)};
             });
           });
    say(tr("."));
  }

  void sizesAround(const OpeningPath& path) {
    OpeningPath parent = path;
    parent.pop_back();
    const auto& split = std::get<Split>(find(body_.inside, parent)->content);
    say(split.by == SplitBy::Dividers ? tr("It is one of the openings side by side:")
                                      : tr("It is one of the openings above one another:"));
    typedList(
        tr("sizes of the openings"), qs(formatSizeList(split.sizes, style_)),
        [parent, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
          const auto sizes = parseSizeList(text.toStdString(), unit, true);
          if (!sizes) return sizes.problems();
          const std::size_t have = std::get<Split>(find(c.inside, parent)->content).children.size();
          if (sizes->size() != have)
            return {
                {{},
                 0,
                 "sizes",
                 std::to_string(sizes->size()),
                 std::to_string(have) +
                     " sizes; to change how many there are, empty the opening and split it anew"}};
          changeContent<Split>(c, parent, [&](Split& s) { s.sizes = sizes.value(); });
          return {};
        });
    say(tr("."));
  }

  void bankWords(const OpeningPath& path, const DrawerBank& bank) {
    say(tr("It holds"));
    choice(tr("what fills it"), {tr("drawers"), tr("trays"), tr("pull-out platforms")},
           static_cast<int>(bank.kind), [path](Carcass& c, int i) {
             changeContent<DrawerBank>(c, path,
                                       [i](DrawerBank& b) { b.kind = static_cast<BankKind>(i); });
           });
    say(bank.kind == BankKind::Drawers ? tr("with fronts, from the top,")
                                       : tr("in places, from the top,"));
    typedList(tr("drawer fronts"), qs(formatSizeList(bank.fronts, style_)),
              [path, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                auto sizes = parseSizeList(text.toStdString(), unit, true);
                if (!sizes) return sizes.problems();
                changeContent<DrawerBank>(c, path, [&](DrawerBank& b) {
                  keepIds(sizes.value(), b.fronts);
                  b.fronts = sizes.value();
                });
                return {};
              });
    say(tr("high; the boxes are"));
    const QString room = tr("what the clearances leave");
    typedList(tr("box height"), bank.boxHeight ? typed(*bank.boxHeight, style_) : room,
              [path, room, unit = style_.unit](Carcass& c, const QString& text) -> Problems {
                std::optional<Length> height;
                if (!text.trimmed().isEmpty() && text != room) {
                  const auto length = parseExpression(text.toStdString(), unit);
                  if (!length) return length.problems();
                  height = length.value();
                }
                changeContent<DrawerBank>(c, path, [&](DrawerBank& b) { b.boxHeight = height; });
                return {};
              });
    say(tr("high."));
    if (bank.kind != BankKind::Drawers) return;
    say(tr("The fronts are cut"));
    choice(tr("matched fronts"), {tr("one by one"), tr("as one run of grain")},
           bank.matched ? 1 : 0, [path](Carcass& c, int i) {
             changeContent<DrawerBank>(c, path, [i](DrawerBank& b) { b.matched = i == 1; });
           });
    say(tr("."));
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
    choice(tr("drawer school"),
           {tr("front and back between the sides"), tr("front rabbeted over the sides"),
            tr("front and back over the sides"), tr("front between, back cut down"),
            tr("butted and bradded, bottom below")},
           static_cast<int>(rules.school),
           [](Carcass& c, int i) { c.drawers.school = static_cast<DrawerSchool>(i); });
    say(tr(". They run on"));
    choice(tr("running"),
           {tr("slides at their sides"), tr("slides under them"), tr("wooden runners"),
            tr("the bottom, loose")},
           static_cast<int>(rules.running),
           [](Carcass& c, int i) { c.drawers.running = static_cast<Running>(i); });
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
    say(tr(". Boxes are"));
    length(tr("drawer ease"), rules.ease, [](Carcass& c, Length l) { c.drawers.ease = l; });
    say(tr("narrower than their place, bottoms"));
    length(tr("drawer bottom clearance"), rules.bottomClearance,
           [](Carcass& c, Length l) { c.drawers.bottomClearance = l; });
    say(tr("smaller in all; behind a slide"));
    length(tr("slide reserve"), rules.slideReserve,
           [](Carcass& c, Length l) { c.drawers.slideReserve = l; });
    say(tr("stays free. Below a box"));
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
    choice(tr("front style"),
           {tr("slabs"), tr("frames with a panel in a groove"),
            tr("lapped frames with a panel in a rabbet")},
           static_cast<int>(rules.style),
           [](Carcass& c, int i) { c.fronts.style = static_cast<FrontStyle>(i); });
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
    choice(tr("front fit"), {tr("inset"), tr("over the edges")}, static_cast<int>(rules.fit),
           [](Carcass& c, int i) { c.fronts.fit = static_cast<FrontFit>(i); });
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

  const Assembly& assembly_;
  const CarcassGroup* group_;
};

}  // namespace

std::vector<Paragraph> describeCarcass(const Job& job, const Assembly& assembly,
                                       const std::optional<OpeningPath>& selected) {
  return CarcassWriter(job, assembly).run(selected);
}

}  // namespace pp

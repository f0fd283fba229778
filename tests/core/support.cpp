#include "tests/core/support.h"

#include "core/job/ids.h"

#include <fstream>
#include <functional>
#include <sstream>

namespace pp::test {

Job metricJob() {
  Job job;
  job.name = "test";
  job.materials = {{"b18", "birch", Length::mm(18), Length::mm(18), true, Tone::Birch, 650},
                   {"b12", "birch", Length::mm(12), Length::mm(12), true, Tone::Birch, 650},
                   {"b6", "birch", Length::mm(6), Length::mm(6), true, Tone::Birch, 650}};
  job.bandings = {
      {"edge", "edge", Length::mm(2), Length::mm(22), Money{}, Length::mm(50'000), true}};
  for (const Material& material : job.materials) {
    StockPiece sheet;
    sheet.mark = material.id + "-sheet";
    sheet.material = material.id;
    sheet.length = Length::mm(2440);
    sheet.width = Length::mm(1220);
    sheet.price = Money::whole(50);
    job.stock.push_back(sheet);
  }
  for (const int length : {250, 300, 350, 400, 450, 500})
    job.slides.push_back({"slide " + std::to_string(length), Length::mm(length)});
  job.slides.push_back({"under 350", Length::mm(350), Length::mm(5), SlideKind::Under,
                        Length::mm(14), Length::mm(7)});
  return job;
}

Assembly metricCarcass() {
  Assembly assembly;
  assembly.code = "B1";
  assembly.name = "base";
  Carcass& carcass = assembly.carcass();
  carcass.material = "b18";
  carcass.back.material = "b6";
  carcass.drawers.boxMaterial = "b12";
  carcass.drawers.bottomMaterial = "b6";
  carcass.fronts.material = "b18";
  return assembly;
}

Job jobWith(const Carcass& carcass) {
  Job job = metricJob();
  Assembly assembly = metricCarcass();
  assembly.carcass() = carcass;
  job.assemblies = {assembly};
  return job;
}

std::string demo(const std::string& name) {
  std::ifstream in(std::string(DEMO_DIR) + "/" + name + ".plainpatch");
  std::ostringstream out;
  out << in.rdbuf();
  return out.str();
}

namespace {

int pick(int from, int to) {
  return *rc::gen::inRange(from, to + 1);
}

Opening randomOpening(int depth) {
  Opening out;
  const int kind = depth == 0 ? pick(0, 4) : pick(0, 7);
  if (pick(0, 3) == 0) {
    out.door = Door{static_cast<Hinge>(pick(0, 5))};
    out.door->centreStile = pick(0, 2) == 0;
    out.door->cut = static_cast<FrontsCut>(pick(0, 2));
    out.door->rightInFront = pick(0, 1) == 1;
  }
  if (pick(0, 5) == 0) {
    out.fronts.style = static_cast<FrontStyle>(pick(0, 2));
    out.fronts.grain = static_cast<PanelGrain>(pick(0, 2));
    out.fronts.left = Length::um(pick(0, 9'000));
    out.fronts.gap = Length::um(pick(1'000, 4'000));
  }
  if (kind == 1) out.content = AdjustableShelves{pick(1, 3)};
  if (kind == 2) out.content = LooseShelves{pick(1, 2)};
  if (kind == 3 || kind == 4) {
    DrawerBank bank;
    bank.kind = static_cast<BankKind>(pick(0, 2));
    bank.fronts.assign(static_cast<std::size_t>(pick(1, 3)), Share{});
    if (bank.fronts.size() > 1 && pick(0, 1) == 1)
      bank.fronts[0].fixed = Length::um(pick(90'000, 110'000));
    bank.cut = static_cast<FrontsCut>(pick(0, 2));
    bank.railed = pick(0, 3) == 0;
    out.content = bank;
    out.door.reset();  // a door before drawers would need them set back
  }
  if (kind < 5) return out;
  Split split;
  split.by = pick(0, 1) == 1 ? SplitBy::Dividers : SplitBy::Shelves;
  split.sizes.assign(static_cast<std::size_t>(pick(2, 3)), Share{});
  if (pick(0, 1) == 1) split.sizes[0].fixed = Length::um(pick(150'000, 300'000));
  split.fronts = static_cast<FrontsCut>(pick(0, 2));
  split.uncovered = pick(0, 5) == 0;
  split.byFrame = pick(0, 3) == 0;
  if (pick(0, 4) == 0) split.doubled = Length::um(pick(0, 10'000));
  for (std::size_t i = 0; i < split.sizes.size(); ++i)
    split.children.push_back(randomOpening(depth - 1));
  // A door over several openings is theirs alone.
  const std::function<void(Opening&)> strip = [&strip](Opening& opening) {
    opening.door.reset();
    if (auto* bank = std::get_if<DrawerBank>(&opening.content)) bank->kind = BankKind::Trays;
    if (auto* inner = std::get_if<Split>(&opening.content))
      for (Opening& child : inner->children) strip(child);
  };
  if (out.door)
    for (Opening& child : split.children) strip(child);
  out.content = split;
  return out;
}

// Thicknesses as a calliper reads them, down to the hundredth.
Job measuredJob() {
  Job job = metricJob();
  job.materials[0].measured = Length::um(pick(1'700, 1'900) * 10);
  job.materials[1].measured = Length::um(pick(1'100, 1'300) * 10);
  job.materials[2].measured = Length::um(pick(500, 650) * 10);
  StockPiece lot;
  lot.mark = "LOT-B";
  lot.material = "b18";
  lot.lot = "B";
  lot.measured = Length::um(pick(1'700, 1'900) * 10);
  lot.length = Length::mm(2'440);
  lot.width = Length::mm(1'220);
  job.stock.push_back(lot);
  const Length steps[] = {Length{}, Length::um(500), Length::in(0, 1, 32)};
  job.shareStep = steps[pick(0, 2)];
  return job;
}

FaceFrame randomFrame() {
  FaceFrame frame;
  frame.material = "b18";
  frame.stile = frame.rail = Length::um(pick(35'000, 60'000));
  frame.middle = Length::um(pick(40'000, 60'000));
  frame.fixing = pick(0, 1) == 1 ? FrameFixing::Tongue : FrameFixing::PocketScrews;
  frame.middleAt = static_cast<FrameMiddle>(pick(0, 3));
  frame.depthIncludes = pick(0, 1) == 1;
  frame.overhangLeft = Length::um(pick(0, 10'000));
  frame.overhangRight = Length::um(pick(0, 10'000));
  return frame;
}

Carcass randomCarcass() {
  Carcass carcass = metricCarcass().carcass();
  carcass.width =
      Length::nm(static_cast<std::int64_t>(pick(500'000, 2'000'000)) * 1000 + pick(0, 999));
  carcass.height =
      Length::nm(static_cast<std::int64_t>(pick(600'000, 2'000'000)) * 1000 + pick(0, 999));
  carcass.depth = Length::um(pick(330'000, 700'000));
  carcass.joint = static_cast<Joint>(pick(0, 5));
  if (pick(0, 1) == 1) carcass.joint = Joint::Dado;
  carcass.dadoDepth = Length::um(pick(3'000, 8'000));
  carcass.top = static_cast<TopConstruction>(pick(0, 6));
  carcass.topRabbet = Length::um(pick(5'000, 12'000));
  carcass.back.school = static_cast<BackSchool>(pick(0, 6));
  carcass.back.rabbetDepth = Length::um(pick(5'000, 10'000));
  carcass.back.setIn = Length::um(pick(5'000, 20'000));
  carcass.back.clearance = Length::um(pick(0, 2'000));
  if (pick(0, 3) == 0) carcass.wallLeft = Length::mm(10);
  if (pick(0, 3) == 0) carcass.wallRight = Length::mm(8);
  carcass.liningLeft = pick(0, 3) == 0;
  carcass.liningRight = pick(0, 3) == 0;
  if (pick(0, 1) == 1) {
    carcass.toe = Toe{Length::um(pick(98'000, 120'000)), Length::um(pick(40'000, 90'000))};
    if (carcass.top == TopConstruction::Mitred) carcass.top = TopConstruction::Between;
  }
  if (!carcass.toe && carcass.top != TopConstruction::Mitred && pick(0, 3) == 0)
    carcass.raised = Length::um(pick(10'000, 90'000));
  if (carcass.top == TopConstruction::Mitred && (carcass.back.school == BackSchool::RabbetSides ||
                                                 carcass.back.school == BackSchool::Channels))
    carcass.back.school = BackSchool::Groove;
  if (carcass.top != TopConstruction::Mitred && pick(0, 2) == 0) carcass.baseboard = Baseboard{};
  if (pick(0, 4) == 0) carcass.endLeft = pick(0, 1) == 1 ? "b12" : "b18";
  if (pick(0, 4) == 0) carcass.endRight = "b12";
  carcass.back.pieces = pick(0, 2);
  carcass.mitreTenons = pick(0, 3);
  carcass.waterfall = static_cast<Waterfall>(pick(0, 2));
  if (pick(0, 3) == 0) carcass.fronts.reveal = Length::um(pick(1'000, 6'000));
  if (carcass.back.school == BackSchool::None && pick(0, 1) == 1) {
    carcass.back.railPlace = static_cast<RailPlace>(pick(0, 2));
    carcass.back.rails = {{Length::um(pick(0, 150'000)), Length::um(pick(40'000, 100'000))}};
    if (pick(0, 1) == 1) carcass.back.rails.push_back({Length::mm(300), Length::mm(80)});
  }
  if (pick(0, 1) == 1) carcass.banding = "edge";
  carcass.shelves.lip = pick(0, 2) == 0 ? Length::mm(25) : Length{};
  carcass.drawers.school = static_cast<DrawerSchool>(pick(0, 4));
  carcass.drawers.running = static_cast<Running>(pick(0, 3));
  carcass.fronts.fit = pick(0, 1) == 1 ? FrontFit::Overlay : FrontFit::Inset;
  carcass.fronts.style = static_cast<FrontStyle>(pick(0, 2));
  carcass.fronts.panelMaterial = "b6";
  carcass.fronts.overlay = Length::um(pick(0, 15'000));
  carcass.fronts.lidHinge = static_cast<LidHinge>(pick(0, 2));
  carcass.fronts.knuckle = Length::um(pick(0, 6'000));
  carcass.fronts.fingerPull = pick(0, 3) == 0;
  return carcass;
}

}  // namespace

rc::Gen<Job> buildableJob() {
  return rc::gen::exec([] {
    Job job = measuredJob();
    Assembly assembly = metricCarcass();
    Carcass carcass = randomCarcass();
    if (pick(0, 2) == 0) carcass.frame = randomFrame();
    carcass.fillerLeft = !carcass.frame && carcass.wallLeft > Length{} && pick(0, 1) == 1;
    carcass.fillerRight = !carcass.frame && carcass.wallRight > Length{} && pick(0, 1) == 1;
    if (!carcass.toe && pick(0, 2) == 0) {
      carcass.stand = Stand{};
      carcass.stand->kind = static_cast<StandKind>(pick(0, 3));
      carcass.stand->material = "b18";
    }
    if (pick(0, 4) == 0) carcass.cleat = Cleat{"b18", Length::mm(80)};
    carcass.inside = randomOpening(2);
    assembly.body = carcass;
    if (pick(0, 2) == 0) assembly.lot = "B";
    job.assemblies = {assembly};
    giveIds(job);
    return job;
  });
}

rc::Gen<Job> buildableGroup() {
  return rc::gen::exec([] {
    Job job = measuredJob();
    Assembly group;
    group.code = "G1";
    CarcassGroup body;
    Carcass first = randomCarcass();
    first.cleat.reset();
    // How many of them stand along a side wall, from the last on.
    const int right = pick(0, 2) == 0 ? pick(1, 2) : 0;
    const int left = pick(0, 2) == 0 ? 1 : 0;
    const int count = (right + left > 0 ? 1 : pick(2, 3)) + right + left;
    for (int i = 0; i < count; ++i) {
      Assembly member;
      member.code = "B" + std::to_string(i + 1);
      if (pick(0, 2) == 0) member.lot = "B";
      Carcass carcass = first;
      if (i > 0 || left > 0) carcass.endLeft.clear();
      if (i + 1 < count || right > 0) carcass.endRight.clear();
      carcass.width = Length::um(pick(400'000, 1'000'000));
      carcass.wallLeft = i == 0 && left == 0 ? first.wallLeft : Length{};
      carcass.wallRight = i + 1 == count && right == 0 ? first.wallRight : Length{};
      // Of many, one would nearly always have something that does not add up.
      carcass.inside = randomOpening(right + left > 0 ? 0 : 1);
      member.body = carcass;
      job.assemblies.push_back(member);
      giveIds(job);
      body.members.push_back(job.assemblies.back().id);
    }
    const auto round = [&body](int n) {
      GroupLeg leg;
      leg.filler = Length::um(pick(0, 80'000));
      leg.blind = pick(0, 5) == 0;
      for (; n > 0; --n) {
        leg.members.insert(leg.members.begin(), body.members.back());
        body.members.pop_back();
      }
      return leg;
    };
    if (right > 0) body.right = round(right);
    if (left > 0) body.left = round(left);
    if (pick(0, 1) == 1) body.fillerMaterial = "b18";
    body.cornerTop = static_cast<CornerTop>(pick(0, 1));
    if (pick(0, 3) != 0) body.frame = randomFrame();
    if (!body.frame && body.members.size() > 1 && pick(0, 1) == 1) {
      GroupBridge bridge;
      bridge.after = body.members[0];
      bridge.width = Length::um(pick(300'000, 900'000));
      bridge.shelves = pick(1, 3);
      bridge.material = pick(0, 1) == 1 ? "b12" : "b18";
      body.bridges = {bridge};
    }
    if (!first.toe && pick(0, 1) == 1) {
      body.stand = Stand{};
      body.stand->kind = StandKind::Frame;
      body.stand->material = "b18";
      body.stand->longest = Length::mm(pick(900, 2'400));
    }
    if (pick(0, 1) == 1) {
      body.top = Top{};
      body.top->material = "b18";
      body.top->build = pick(0, 1) == 1 ? TopBuild::Laminated : TopBuild::Single;
    }
    group.body = body;
    job.assemblies.push_back(group);
    giveIds(job);
    return job;
  });
}

rc::Gen<Job> buildableKind() {
  return rc::gen::exec([] {
    Job job = measuredJob();
    Assembly assembly;
    assembly.code = "K1";
    const auto um = [](int from, int to) { return Length::um(pick(from * 1'000, to * 1'000)); };
    switch (pick(0, 8)) {
      case 8: {
        HungShelf shelf;
        shelf.material = "b18";
        shelf.cleatMaterial = pick(0, 1) == 1 ? "b12" : "b18";
        shelf.width = um(300, 1'500);
        shelf.depth = um(120, 400);
        shelf.brace = um(160, 400);
        shelf.braceFoot = um(40, 110);
        shelf.setIn = um(0, 80);
        assembly.body = shelf;
        break;
      }
      case 7: {
        BoxSet set;
        set.what = static_cast<BankKind>(pick(0, 2));
        set.count = pick(1, 5);
        set.spares = pick(0, 2);
        set.inside = pick(0, 1) == 1;
        set.width = um(200, 900);
        set.depth = um(200, 600);
        set.height = um(60, 250);
        set.boxes.school = static_cast<DrawerSchool>(pick(0, 4));
        set.boxes.boxMaterial = "b12";
        set.boxes.bottomMaterial = "b6";
        assembly.body = set;
        break;
      }
      case 0: {
        Top top;
        top.material = "b18";
        top.width = um(500, 3'000);
        top.depth = um(300, 800);
        top.overLeft = um(0, 30);
        top.overRight = um(0, 30);
        top.overBack = um(0, 30);
        top.build = static_cast<TopBuild>(pick(0, 2));
        top.layers = pick(2, 4);
        top.glueStrip = um(30, 120);
        top.proud = um(0, 4);
        if (pick(0, 2) == 0) top.below = um(0, 10);
        if (pick(0, 1) == 1) top.longest = um(600, 2'400);
        if (pick(0, 1) == 1) top.edgingMaterial = "b12";
        top.edging = um(3, 19);
        top.edgeLeft = pick(0, 1) == 1;
        top.edgeRight = pick(0, 1) == 1;
        top.edgeBack = pick(0, 1) == 1;
        top.corner = pick(0, 1) == 1 ? EdgingCorner::Mitred : EdgingCorner::Butted;
        assembly.body = top;
        break;
      }
      case 1: {
        BaseFrame frame;
        frame.material = "b18";
        frame.width = um(500, 4'000);
        frame.depth = um(200, 700);
        if (pick(0, 1) == 1) frame.legs = um(10, 80);
        frame.legWidth = um(30, 80);
        frame.legEvery = um(300, 1'500);
        if (pick(0, 1) == 1) frame.legMaterial = "b12";
        assembly.body = frame;
        break;
      }
      case 2: {
        WallPanel panel;
        panel.material = "b18";
        panel.cleatMaterial = "b12";
        panel.height = um(500, 1'200);
        panel.cleats = pick(1, 3);
        panel.support = um(0, 90);
        assembly.body = panel;
        break;
      }
      case 3: {
        SeatBox seat;
        seat.material = "b18";
        seat.width = um(900, 2'400);
        seat.lids = pick(1, 3);
        seat.backHeight = pick(0, 2) == 0 ? Length{} : um(200, 400);
        seat.lean = Angle::millidegrees(pick(0, 20'000));
        seat.hingeRail = um(180, 230);
        seat.depth = um(420, 600);
        if (pick(0, 1) == 1) seat.batten = Baseboard{um(5, 40), um(10, 60)};
        seat.seat = static_cast<SeatTop>(pick(0, 1));
        seat.hatchFrame = um(60, 120);
        if (pick(0, 1) == 1) seat.toe = Toe{um(20, 120), um(20, 100)};
        if (pick(0, 2) == 0) seat.clearLeft = um(0, 30);
        if (pick(0, 2) == 0) seat.clearRight = um(0, 30);
        if (pick(0, 1) == 1) seat.storage = pick(0, 3);
        if (pick(0, 2) == 0) seat.postMaterial = "b12";
        if (pick(0, 1) == 1) seat.longest = um(500, 1'500);
        seat.joint = static_cast<Joint>(pick(0, 5));
        seat.turn = static_cast<SeatReturn>(pick(0, 2));
        seat.turnLength = um(500, 1'800);
        seat.turnLids = pick(1, 3);
        seat.turnBack = pick(0, 1) == 1;
        assembly.body = seat;
        break;
      }
      case 4: {
        Platform platform;
        platform.material = "b18";
        platform.width = um(800, 3'000);
        platform.depth = um(800, 2'000);
        platform.across = pick(1, 4);
        platform.deep = pick(1, 3);
        platform.joint = static_cast<Joint>(pick(0, 5));
        platform.dadoDepth = um(2, 12);
        if (pick(0, 1) == 1) platform.slats = pick(2, 12);
        platform.slat = um(30, 100);
        if (pick(0, 1) == 1) platform.deckMaterial = "b12";
        assembly.body = platform;
        break;
      }
      case 5: {
        Ring ring;
        ring.material = "b18";
        ring.pieces = pick(3, 24);
        ring.side = um(140, 400);
        ring.width = um(40, 200);
        const Joint joints[] = {Joint::Butt, Joint::LooseTenon, Joint::Dowel};
        ring.joint = joints[pick(0, 2)];
        ring.perJoint = pick(1, 4);
        assembly.body = ring;
        break;
      }
      default: {
        Boards boards;
        LooseBoard board;
        board.name = "leg";
        board.material = "b18";
        board.quantity = pick(1, 4);
        board.length = um(300, 800);
        board.width = um(60, 200);
        Feature taper;
        taper.kind = FeatureKind::Taper;
        taper.across = board.width;
        taper.size = board.width / 2;
        Feature notch;
        notch.kind = FeatureKind::Notch;
        notch.length = notch.width = Length::mm(20);
        board.features = {taper, notch};
        board.hand = static_cast<BoardHand>(pick(0, 2));
        for (int k = pick(0, 3); k > 0; --k) {
          BoardLayer layer;
          if (pick(0, 1) == 1) layer.material = "b12";
          layer.oversize = um(0, 8);
          if (pick(0, 1) == 1) layer.gaps = {{um(0, 100), um(20, 60)}, {um(170, 220), um(20, 60)}};
          board.layers.push_back(layer);
        }
        boards.boards = {board, board};
        assembly.body = boards;
        break;
      }
    }
    job.assemblies = {assembly};
    giveIds(job);
    return job;
  });
}

}  // namespace pp::test

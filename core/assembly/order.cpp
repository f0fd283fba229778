#include "core/assembly/order.h"

#include <algorithm>
#include <cmath>

#include "core/assembly/mounting_steps.h"
#include "core/assembly/phases.h"
#include "core/assembly/read_off.h"
#include "core/assembly/takeapart.h"
#include "core/assembly/units.h"
#include "core/job/ids.h"
#include "core/joinery/contact.h"
#include "core/joinery/rules.h"
#include "core/kinds/carcass/sliding.h"
#include "core/kinds/group/lines.h"
#include "core/kinds/kind.h"

namespace pp::bench {
namespace {

// When it is glued is chosen for what the drawing joins and for what is glued; the brads of a back
// tie no load together.
bool isChosen(const Closed& joint) {
  return joint.drawn || joint.glued;
}

class Assembling {
 public:
  // `member`: by body, which of a group's it is of; none: the assembly's own.
  Assembling(std::vector<Body> bodies, std::vector<std::size_t> member, const Job& job,
             const Mounted& mounted, const Gluings& gluings, std::string code)
      : job_(job),
        gluings_(gluings),
        bodies_(std::move(bodies)),
        member_(std::move(member)),
        code_(std::move(code)),
        found_(jointsOf(bodies_, job.unit)),
        mounting_(bodies_, member_, units_, mounted) {
    findWays();
    Room room;
    for (const Body& body : bodies_) room.take(body);
    middle_ = room.middle();

    masks_.assign(bodies_.size() * bodies_.size(), std::nullopt);
  }

  std::vector<UnitOrder> run() {
    if (std::all_of(bodies_.begin(), bodies_.end(),
                    [](const Body& body) { return body.key().role == PartRole::RingPiece; }))
      return {ring()};
    std::vector<Node> nodes = units_.nodes();
    if (nodes.size() == 1) nodes = Units::apart(nodes.front());
    order(nodes, UnitKind::Assembly, codeAndName(job_, code_));
    return std::move(out_);
  }

 private:
  static constexpr std::size_t kNone = Units::kNone;

  // Laid out in a row and rolled up: in one go.
  UnitOrder ring() const {
    UnitOrder out;
    out.kind = UnitKind::Ring;
    out.assembly = code_;
    out.name = codeAndName(job_, code_);
    AssemblyStep& step = out.steps.emplace_back();
    for (const Body& body : bodies_) {
      step.pieces.push_back(body.at);
      step.stand.push_back(body.pose);
      step.poses.push_back(body.at.pose);
      step.with.push_back({body.at});
    }
    step.row = bodies_.front().at.row;
    step.isDry = true;
    return out;
  }

  const Part& part(std::size_t body) const { return *bodies_[body].part; }
  // Its own: equal parts are one, whatever they are.
  PartRole role(std::size_t body) const { return bodies_[body].key().role; }

  void findWays() {
    ways_ = {{1, 0, 0}, {-1, 0, 0}, {0, 1, 0}, {0, -1, 0}, {0, 0, 1}, {0, 0, -1}};
    constexpr std::size_t kMost = 64;
    for (const Body& body : bodies_) {
      if (!body.pose.turn) continue;
      for (const Vec own : {Vec{1, 0, 0}, Vec{0, 1, 0}, Vec{0, 0, 1}}) {
        const Vec way = placed(body.pose, own) - placed(body.pose, {});
        for (const double sign : {1.0, -1.0}) {
          const Vec one = sign * way;
          const bool known = std::any_of(ways_.begin(), ways_.end(),
                                         [&](const Vec& w) { return dot(w, one) > 1 - 1e-6; });
          if (!known && ways_.size() < kMost) ways_.push_back(one);
        }
      }
    }
  }

  // --- what is in the way of what ---

  Puzzle::Ways mask(std::size_t moving, std::size_t still) {
    auto& known = masks_[moving * bodies_.size() + still];
    if (known) return *known;
    Puzzle::Ways out = 0;
    // A sliding panel is lifted past all there is.
    if (isSliding(part(moving)) || isSliding(part(still))) return *(known = out);
    for (std::size_t way = 0; way < ways_.size(); ++way) {
      const bool blocked = std::any_of(
          bodies_[moving].hulls.begin(), bodies_[moving].hulls.end(), [&](const Hull& a) {
            return std::any_of(bodies_[still].hulls.begin(), bodies_[still].hulls.end(),
                               [&](const Hull& b) {
                                 return comesThrough(a, ways_[way], b, far(moving, ways_[way]));
                               });
          });
      if (blocked) out |= Puzzle::Ways{1} << way;
    }
    known = out;
    return out;
  }
  // A front is off when there is room for hands behind it: then it is turned and carried away. All
  // else goes straight out.
  double far(std::size_t body, Vec way) const {
    constexpr double kHands = 300, kOut = 1e9;
    if (bench::phaseOf(role(body)) != AssemblyPhase::Front) return kOut;
    const Vec size = bodies_[body].high - bodies_[body].low;
    return kHands + std::abs(way.x) * size.x + std::abs(way.y) * size.y + std::abs(way.z) * size.z;
  }
  // All ways but that one.
  Puzzle::Ways allBut(Vec free) const {
    Puzzle::Ways out = 0;
    for (std::size_t way = 0; way < ways_.size(); ++way)
      if (dot(ways_[way], free) < 1 - 1e-6) out |= Puzzle::Ways{1} << way;
    return out;
  }

  // With the joint that each of its driven ones is.
  struct Laid {
    Puzzle puzzle;
    std::vector<std::size_t> joints;
  };
  Laid puzzleOf(const std::vector<Node>& nodes) {
    Laid laid;
    Puzzle& out = laid.puzzle;
    const std::size_t n = nodes.size();
    out.count = n;
    out.blocked.assign(n * n, 0);
    out.awkward.assign(n * n, 0);
    std::vector<std::size_t> nodeOf(bodies_.size(), kNone);
    for (std::size_t i = 0; i < n; ++i)
      for (const std::size_t body : nodes[i].bodies) nodeOf[body] = i;
    for (std::size_t i = 0; i < n; ++i)
      for (std::size_t k = 0; k < n; ++k) {
        if (i == k) continue;
        for (const std::size_t a : nodes[i].bodies)
          for (const std::size_t b : nodes[k].bodies) out.blocked[i * n + k] |= mask(a, b);
      }
    for (std::size_t j = 0; j < joints_.size(); ++j) {
      const JointAt& joint = joints_[j];
      const std::size_t a = nodeOf[joint.piece], b = nodeOf[joint.mate];
      if (a == kNone || b == kNone || a == b) continue;
      if (joint.isPlugged() || joint.kind == JoinKind::Dado) {
        auto& kept = joint.isPlugged() ? out.blocked : out.awkward;
        kept[a * n + b] |= allBut(-1 * joint.out);
        kept[b * n + a] |= allBut(joint.out);
      }
      if (joint.lines.empty()) continue;
      Puzzle::Driven driven{a, b, {}};
      for (std::size_t other = 0; other < bodies_.size(); ++other) {
        const std::size_t node = nodeOf[other];
        if (node == kNone || node == a || node == b || !isInTheWay(joint, bodies_[other])) continue;
        if (driven.inTheWay.empty() || driven.inTheWay.back() != node)
          driven.inTheWay.push_back(node);
      }
      out.driven.push_back(std::move(driven));
      laid.joints.push_back(j);
    }
    for (const Node& node : nodes) {
      out.late.push_back(units_.late(node, isAlone_));
      out.sort.push_back(static_cast<int>(phaseOf(node)));
      out.preferred.push_back(preferred(node));
    }
    for (int sort = 0; sort <= static_cast<int>(AssemblyPhase::Front); ++sort)
      out.before.push_back(phasesAfter(static_cast<AssemblyPhase>(sort)));
    return laid;
  }
  static bool isInTheWay(const JointAt& joint, const Body& body) {
    return std::any_of(joint.lines.begin(), joint.lines.end(), [&](const auto& line) {
      return std::any_of(body.hulls.begin(), body.hulls.end(), [&](const Hull& hull) {
        return lineComesThrough(line.first, line.second, hull);
      });
    });
  }

  AssemblyPhase phaseOf(const Node& node) const { return units_.phaseOf(node, isAlone_); }
  std::size_t first(const Node& node) const { return units_.first(node); }
  std::vector<int> preferred(const Node& node) const {
    std::vector<int> out;
    const auto add = [&](Vec way) {
      for (std::size_t i = 0; i < ways_.size(); ++i)
        if (dot(ways_[i], way) > 1 - 1e-6 &&
            std::find(out.begin(), out.end(), static_cast<int>(i)) == out.end())
          out.push_back(static_cast<int>(i));
    };
    const Vec forwards{0, -1, 0}, backwards{0, 1, 0}, up{0, 0, 1};
    if (const auto way = usuallyOff(role(first(node)))) add(*way);
    switch (phaseOf(node)) {
      case AssemblyPhase::Back:
        add(backwards);
        break;
      case AssemblyPhase::Top:
        add(up);
        break;
      case AssemblyPhase::Frame:
      case AssemblyPhase::Loose:
      case AssemblyPhase::Front:
        add(forwards);
        break;
      default:
        if (node.kind == UnitKind::Assembly) add(up);
        break;
    }
    // Out of what its own edges sit in, then off the edges of others.
    for (const JointAt& joint : joints_)
      if (isIn(node.bodies, joint.piece) && !isIn(node.bodies, joint.mate)) add(-1 * joint.out);
    for (const JointAt& joint : joints_)
      if (isIn(node.bodies, joint.mate) && !isIn(node.bodies, joint.piece)) add(joint.out);
    if (node.kind == UnitKind::Section || node.kind == UnitKind::Assembly) {
      add(forwards);
      add(up);
    }
    // What is joined to nothing goes off its own face, away from the rest.
    const Body& body = bodies_[first(node)];
    const Vec face = placed(body.pose, {0, 0, 1}) - placed(body.pose, {});
    const Vec off = body.middle() - middle_;
    add(dot(face, off) >= 0 ? face : -1 * face);
    add(dot(face, off) >= 0 ? -1 * face : face);
    for (const Vec way : {forwards, up, Vec{1, 0, 0}, Vec{-1, 0, 0}, backwards, Vec{0, 0, -1}})
      add(way);
    for (const Vec& way : ways_) add(way);
    return out;
  }

  // --- the order ---

  // Puts the order of the nodes at the end of what is found, after those of what goes in whole.
  void order(const std::vector<Node>& nodes, UnitKind kind, const std::string& name) {
    const Laid laid = puzzleOf(nodes);
    steps(nodes, laid, takenApart(laid.puzzle), kind, name);
  }

  // What one goes in as, known by its largest part.
  const PartKey& keyOf(const TakenOut& one, const std::vector<Node>& nodes) const {
    Node all;
    for (const std::size_t thing : one.things)
      all.bodies.insert(all.bodies.end(), nodes[thing].bodies.begin(), nodes[thing].bodies.end());
    return bodies_[first(all)].key();
  }

  // In the order the maker has moved them to, where any was.
  std::vector<TakenOut> asMoved(const std::vector<Node>& nodes, const Laid& laid,
                                std::vector<TakenOut> taken, bool& any) const {
    if (job_.moved.empty()) return taken;
    struct Known {
      PartKey key;
      std::vector<std::size_t> things;
    };
    std::vector<Known> row;
    for (const TakenOut& one : taken) row.push_back({keyOf(one, nodes), one.things});
    for (const MovedStep& move : job_.moved) {
      const auto find = [&row](const PartKey& key) {
        return std::find_if(row.begin(), row.end(),
                            [&key](const Known& one) { return one.key == key; });
      };
      const auto from = find(move.part);
      if (from == row.end() || find(move.other) == row.end()) continue;
      Known one = std::move(*from);
      row.erase(from);
      // What goes in after is taken away before.
      row.insert(find(move.other) + (move.after ? 0 : 1), std::move(one));
      any = true;
    }
    if (!any) return taken;
    std::vector<std::vector<std::size_t>> order;
    for (Known& one : row) order.push_back(std::move(one.things));
    return takenInOrder(laid.puzzle, order);
  }

  void steps(const std::vector<Node>& nodes, const Laid& laid, std::vector<TakenOut> taken,
             UnitKind kind, const std::string& name) {
    bool isMoved = false;
    taken = asMoved(nodes, laid, std::move(taken), isMoved);
    std::reverse(taken.begin(), taken.end());
    UnitOrder unit;
    unit.kind = kind;
    unit.assembly = code_;
    unit.name = name;
    std::vector<std::size_t> there;
    std::vector<Node> inOrder;
    for (const TakenOut& one : taken) {
      Node node = nodes[one.things.front()];
      if (one.things.size() > 1) {
        node.kind = UnitKind::Several;
        node.bodies.clear();
        for (const std::size_t thing : one.things)
          node.bodies.insert(node.bodies.end(), nodes[thing].bodies.begin(),
                             nodes[thing].bodies.end());
        steps(nodes, laid, takenApart(laid.puzzle, one.things), UnitKind::Several,
              units_.nameOf(node, job_));
      } else if (node.bodies.size() > 1 && node.kind != UnitKind::Assembly) {
        const bool alone = std::exchange(isAlone_, true);
        const bool mounted =
            std::exchange(isMounted_, isMounted_ && node.kind == UnitKind::Section);
        order(Units::apart(node), node.kind, units_.nameOf(node, job_));
        isAlone_ = alone;
        isMounted_ = mounted;
      }
      AssemblyStep step = putIn(node, one, nodes, laid, there);
      step.isMoved = isMoved;
      if (isMounted_) mounting_.mount(step, node);
      there.insert(there.end(), node.bodies.begin(), node.bodies.end());
      if (!unit.steps.empty() && isMore(step, unit.steps.back()))
        more(step, unit.steps.back());
      else
        unit.steps.push_back(std::move(step));
      inOrder.push_back(std::move(node));
    }
    if (isMounted_) mounting_.feet(unit, inOrder);
    read_.finish(unit);
    out_.push_back(std::move(unit));
  }

  // The same once more, beside it.
  static bool isMore(const AssemblyStep& step, const AssemblyStep& last) {
    const auto same = [](const Closed& a, const Closed& b) {
      return a.kind == b.kind && a.edge == b.edge && a.flat == b.flat && a.glued == b.glued &&
             a.piece.row == b.piece.row && a.mate.row == b.mate.row && a.fasteners == b.fasteners &&
             a.gluing == b.gluing;
    };
    const auto sameRow = [](const PieceAt& a, const PieceAt& b) { return a.row == b.row; };
    const Vec off = step.along - last.along;
    return step.row == last.row && step.isWhole == last.isWhole && step.each == last.each &&
           step.name == last.name &&
           std::equal(step.pieces.begin(), step.pieces.end(), last.pieces.begin(), sameRow) &&
           last.lie == step.lie && dot(off, off) < kTouch && step.spacers == last.spacers &&
           !step.unreached && !last.unreached && !step.isForced && !last.isForced &&
           step.tooLate == last.tooLate && step.screws == last.screws &&
           std::equal(step.mounted.begin(), step.mounted.end(), last.mounted.begin(),
                      last.mounted.end(), isMountedAlike) &&
           std::equal(step.joints.begin(), step.joints.end(), last.joints.begin(),
                      last.joints.end(), same);
  }
  static void more(const AssemblyStep& step, AssemblyStep& last) {
    last.pieces.insert(last.pieces.end(), step.pieces.begin(), step.pieces.end());
    last.stand.insert(last.stand.end(), step.stand.begin(), step.stand.end());
    last.poses.insert(last.poses.end(), step.poses.begin(), step.poses.end());
    last.with.insert(last.with.end(), step.with.begin(), step.with.end());
    last.joined.insert(last.joined.end(), step.joined.begin(), step.joined.end());
  }

  AssemblyStep putIn(const Node& node, const TakenOut& taken, const std::vector<Node>& nodes,
                     const Laid& laid, const std::vector<std::size_t>& there) const {
    AssemblyStep out;
    for (const std::size_t body : node.bodies) {
      out.pieces.push_back(bodies_[body].at);
      out.stand.push_back(bodies_[body].pose);
      out.waits = out.waits || part(body).waiting;
    }
    out.each = node.bodies.size();
    out.isWhole = out.each > 1;
    out.kind = node.kind;
    out.name = units_.nameOf(node, job_);
    out.isForced = taken.forced;
    const Body& main = bodies_[first(node)];
    out.row = main.at.row;
    out.poses = {main.at.pose};
    out.with = {out.pieces};
    if (taken.unreached) out.unreached = unreached(*taken.unreached, nodes, laid, there);
    if (taken.past) out.past = bodies_[first(nodes[*taken.past])].at;
    if (taken.tooLate) out.tooLate = bodies_[first(nodes[*taken.tooLate])].at;
    out.screws = frontScrews(node, there);
    if (taken.way < 0) return out;
    out.along = -1 * ways_[static_cast<std::size_t>(taken.way)];
    const AssemblyPhase sort = phaseOf(node);
    const bool stands = sort == AssemblyPhase::Loose || sort == AssemblyPhase::Front ||
                        units_.isGroup() || node.kind == UnitKind::Section;
    out.lie = !isAlone_ && stands         ? Lie::Upright
              : isAlone_ && isFrame(node) ? Lie::FaceDown
                                          : lieFor(out.along);
    out.isLifted = isSliding(part(first(node)));
    close(out, node, there);
    if (sort == AssemblyPhase::Front)
      read_.gaps(out, node.bodies, there);
    else if (!out.isWhole)
      read_.setBy(out, node.bodies.front(), there);
    return out;
  }

  Closed closed(const JointAt& joint) const {
    const Body &piece = bodies_[joint.piece], &mate = bodies_[joint.mate];
    return {piece.at,   mate.at,         joint.edge,
            joint.flat, joint.glued,     joint.drawn,
            joint.kind, joint.fasteners, gluings_.between(piece.key(), mate.key())};
  }
  std::optional<Unreached> unreached(std::size_t driven, const std::vector<Node>& nodes,
                                     const Laid& laid,
                                     const std::vector<std::size_t>& there) const {
    for (const std::size_t other : laid.puzzle.driven[driven].inTheWay) {
      const std::size_t by = first(nodes[other]);
      if (isIn(there, by)) return Unreached{closed(joints_[laid.joints[driven]]), bodies_[by].at};
    }
    return std::nullopt;
  }

  // Screwed or glued flat on the bench.
  bool isFrame(const Node& node) const {
    const PartRole one = role(first(node));
    return isOfFaceFrame(one) || isFront(one);
  }

  static Lie lieFor(Vec along) {
    const double x = std::abs(along.x), y = std::abs(along.y), z = std::abs(along.z);
    if (x > y && x > z) return along.x < 0 ? Lie::OnLeftSide : Lie::OnRightSide;
    if (y > z) return along.y > 0 ? Lie::OnBack : Lie::FaceDown;
    return along.z < 0 ? Lie::Upright : Lie::UpsideDown;
  }

  void close(AssemblyStep& step, const Node& node, const std::vector<std::size_t>& there) const {
    for (const std::vector<JointAt>* all : {&joints_, &found_.held})
      for (const JointAt& joint : *all)
        if ((isIn(node.bodies, joint.piece) && isIn(there, joint.mate)) ||
            (isIn(node.bodies, joint.mate) && isIn(there, joint.piece)))
          step.joints.push_back(closed(joint));
    for (const Closed& one : step.joints)
      if (isChosen(one)) step.joined.emplace_back(one.piece, one.mate);
  }

  // Where the box that a drawer's front goes on is there.
  std::optional<FrontScrews> frontScrews(const Node& node,
                                         const std::vector<std::size_t>& there) const {
    const Body& front = bodies_[first(node)];
    if (phaseOf(node) != AssemblyPhase::Front || !isDrawerFront(front.key().role))
      return std::nullopt;
    std::optional<FrontScrews> out;
    for (const std::size_t body : there) {
      if (role(body) != PartRole::BoxFront ||
          !front.part->isOf(front.key(), bodies_[body].key().opening))
        continue;
      if (!out)
        out = FrontScrews{
            0, joinery::frontScrew(part(body).thickness, front.part->thickness, job_.unit)};
      out->count += joinery::kFrontScrews;
    }
    return out;
  }

  const Job& job_;
  const Gluings& gluings_;
  std::vector<Body> bodies_;
  std::vector<std::size_t> member_;  // by body, of the group; none: the assembly's own
  std::string code_;
  Joints found_;
  const std::vector<JointAt>& joints_ = found_.drawn;  // what the order goes by
  ReadOff read_{bodies_, joints_};
  Units units_{bodies_, member_, joints_};
  MountingSteps mounting_;
  std::vector<Vec> ways_;
  Vec middle_;
  std::vector<std::optional<Puzzle::Ways>> masks_;  // by two bodies
  bool isAlone_ = false;                            // what is ordered is one node of another
  bool isMounted_ = true;  // what is mounted goes on in it; else when it goes in
  std::vector<UnitOrder> out_;
};

// Made of the same parts in the same way, elsewhere.
bool isAlike(const UnitOrder& a, const UnitOrder& b) {
  const auto same = [](const AssemblyStep& p, const AssemblyStep& q) {
    constexpr double kSame = 1e-6;
    const Vec off = p.along - q.along;
    return p.row == q.row && p.isWhole == q.isWhole && dot(off, off) < kSame &&
           p.pieces.size() == q.pieces.size() && p.joints.size() == q.joints.size() &&
           p.spacers.size() == q.spacers.size() && p.unreached == q.unreached && !p.isForced &&
           !q.isForced && p.tooLate.has_value() == q.tooLate.has_value() &&
           gluingOf(p) == gluingOf(q);
  };
  return a.kind == b.kind && a.assembly == b.assembly &&
         (a.name == b.name || a.kind == UnitKind::Section) &&
         std::equal(a.steps.begin(), a.steps.end(), b.steps.begin(), b.steps.end(), same);
}

// Boards that are drawn in a row, each by itself, are in no place.
bool hangTogether(const std::vector<Body>& bodies) {
  for (std::size_t a = 0; a < bodies.size(); ++a)
    for (std::size_t b = a + 1; b < bodies.size(); ++b)
      if (touch(bodies[a], bodies[b])) return true;
  return false;
}

}  // namespace

std::vector<UnitOrder> assemblyOrder(const std::vector<Pieces>& pieces, const Job& job) {
  std::vector<UnitOrder> out;
  const Gluings gluings(job, pieces);
  Mounted mounted;
  for (Mounting& one : mountingsOf(job, whereTheyStand(pieces)))
    mounted[one.on].push_back(std::move(one));
  for (const Assembly& assembly : job.assemblies) {
    const auto* group = std::get_if<CarcassGroup>(&assembly.body);
    // What does not add up stands nowhere.
    if (group != nullptr && !groupLines(job, *group)) continue;
    std::vector<Body> bodies = bodiesOf(pieces, assembly.code);
    const auto isWallHalf = [](const Body& body) {
      return joinery::isOnWall(body.key().role, body.pose);
    };
    std::erase_if(bodies, isWallHalf);
    // Fronts of what stands in a row are hung when it stands there.
    if (groupOf(job, assembly.id) != nullptr)
      std::erase_if(bodies, [](const Body& body) { return isFront(body.part->role); });
    std::vector<std::size_t> member(bodies.size(), Units::kNone);
    if (group != nullptr) {
      const std::vector<Id> ids = group->everyMember();
      const std::vector<Standing> standings = memberStandings(job, *group);
      for (std::size_t i = 0; i < ids.size(); ++i)
        for (Body& body : bodiesOf(pieces, findAssembly(job, ids[i])->code, standings[i])) {
          if (isWallHalf(body)) continue;
          bodies.push_back(std::move(body));
          member.push_back(i);
        }
    }
    if (!hangTogether(bodies)) continue;
    const std::size_t before = out.size();
    // Boxes by themselves stand in nothing.
    const bool isSet = kindOf(assembly).installing.carried == CarriedAs::Boxes;
    for (UnitOrder& unit :
         Assembling(std::move(bodies), std::move(member), job, mounted, gluings, assembly.code)
             .run()) {
      if (isSet && unit.kind == UnitKind::Assembly &&
          std::all_of(unit.steps.begin(), unit.steps.end(),
                      [](const AssemblyStep& step) { return step.isWhole; }))
        continue;
      const auto same = std::find_if(out.begin() + static_cast<std::ptrdiff_t>(before), out.end(),
                                     [&](const UnitOrder& other) { return isAlike(unit, other); });
      if (same == out.end()) {
        out.push_back(std::move(unit));
        continue;
      }
      ++same->alike;
      for (std::size_t i = 0; i < unit.steps.size(); ++i) {
        AssemblyStep& step = same->steps[i];
        step.poses.insert(step.poses.end(), unit.steps[i].poses.begin(), unit.steps[i].poses.end());
        step.with.insert(step.with.end(), unit.steps[i].with.begin(), unit.steps[i].with.end());
        step.joined.insert(step.joined.end(), unit.steps[i].joined.begin(),
                           unit.steps[i].joined.end());
      }
    }
  }
  return out;
}

std::optional<Gluing> gluingOf(const AssemblyStep& step) {
  std::optional<Gluing> out;
  for (const Closed& joint : step.joints)
    if (isChosen(joint)) out = std::max(out.value_or(joint.gluing), joint.gluing);
  return out;
}

}  // namespace pp::bench

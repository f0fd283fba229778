#include "core/formats/part_fields.h"

#include <algorithm>
#include <array>
#include <utility>

#include "core/fields/archive.h"
#include "core/formats/texts.h"
#include "core/kinds/boards/fields.h"
#include "core/kinds/common/words.h"

namespace pp {

namespace {

// A choice whose words are those of a function, from the first to the last of an enumeration.
template <class T, class Name>
std::optional<T> parseName(const std::string& word, T last, const Name& name) {
  for (int i = 0; i <= static_cast<int>(last); ++i)
    if (name(static_cast<T>(i)) == word) return static_cast<T>(i);
  return std::nullopt;
}

}  // namespace

void fields(Archive& a, Term& v) {
  a.must("times", v.times);
  a.must("name", v.name);
  a.must("value", v.value);
}

namespace {

void reason(Archive& a, const char* name, Reason& v) {
  std::vector<Term> terms = v.terms();
  std::int64_t among = v.among();
  const std::string share = std::string(name) + "Among";
  a(name, terms);
  a(share.c_str(), among);
  if (!a.reads()) return;
  if (among < 1) a.refuse(share.c_str(), "1 or more");
  v = Reason::of(std::move(terms), std::max<std::int64_t>(1, among));
}

std::string directionText(const Direction& v) {
  return std::string(1, "xyz"[static_cast<int>(v.axis)]) + (v.sign > 0 ? "+" : "-");
}
std::optional<Direction> parseDirection(const std::string& text) {
  for (const Axis axis : {Axis::X, Axis::Y, Axis::Z})
    for (const int sign : {1, -1})
      if (directionText({axis, sign}) == text) return Direction{axis, sign};
  return std::nullopt;
}

}  // namespace

void fields(Archive& a, Turn& v) {
  a.choice("axis", v.axis, {{"x", Axis::X}, {"y", Axis::Y}, {"z", Axis::Z}});
  a.must("angle", v.angle);
  a.must("x", v.about[0]);
  a.must("y", v.about[1]);
  a.must("z", v.about[2]);
}

void fields(Archive& a, Pose& v) {
  a.must("x", v.origin[0]);
  a.must("y", v.origin[1]);
  a.must("z", v.origin[2]);
  std::array<Direction, 3> axes = {v.u, v.v, v.w};
  if (a.required("axes"))
    texts(a, "axes", axes, directionText, parseDirection, "a direction such as x+");
  v.u = axes[0];
  v.v = axes[1];
  v.w = axes[2];
  a("turn", v.turn);
}

constexpr Choice<Edge> kEdgeWords[] = {
    {"l1", Edge::L1}, {"l2", Edge::L2}, {"w1", Edge::W1}, {"w2", Edge::W2}};

void fields(Archive& a, Machining& v) {
  a.choice("cut", v.cut,
           {{"dado", MachiningKind::Dado},
            {"rabbet", MachiningKind::Rabbet},
            {"groove", MachiningKind::Groove},
            {"notch", MachiningKind::Notch},
            {"pin holes", MachiningKind::PinHoles},
            {"edge groove", MachiningKind::EdgeGroove},
            {"bevel", MachiningKind::Bevel},
            {"taper", MachiningKind::Taper},
            {"arc", MachiningKind::Arc},
            {"hole", MachiningKind::Hole},
            {"slot", MachiningKind::Slot},
            {"hinge cup", MachiningKind::HingeCup},
            {"pockets", MachiningKind::Pockets},
            {"mortises", MachiningKind::Mortises},
            {"bulge", MachiningKind::Bulge},
            {"rounded corner", MachiningKind::RoundCorner},
            {"rounded end", MachiningKind::RoundEnd},
            {"hole row", MachiningKind::HoleRow},
            {"thickness taper", MachiningKind::ThicknessTaper},
            {"recess", MachiningKind::Recess},
            {"round-over", MachiningKind::RoundOver},
            {"chamfer", MachiningKind::Chamfer}});
  a.choice("face", v.face, kFaces);
  a("receives", v.receives);
  a("u0", v.u0);
  a("u1", v.u1);
  a("v0", v.v0);
  a("v1", v.v1);
  a("depth", v.depth);
  a("w0", v.w0);
  a.choice("from", v.from, kEdgeWords);
  a("distance", v.distance);
  a("width", v.width);
  a("holes", v.holes);
  a("pitch", v.pitch);
  a("angle", v.angle);
  a("through", v.through);
  a.unlessDefault("bothFaces", v.bothFaces);
  a.unlessDefault("assembled", v.assembled);
}

void fields(Archive& a, Join& v) {
  a.choice("edge", v.edge, kEdgeWords);
  a.choice("kind", v.kind,
           {{"butt", JoinKind::Butt},
            {"dado", JoinKind::Dado},
            {"pocket", JoinKind::Pocket},
            {"loose tenon", JoinKind::LooseTenon},
            {"dowel", JoinKind::Dowel},
            {"brads", JoinKind::Brads},
            {"rabbet", JoinKind::Rabbet},
            {"mitre", JoinKind::Mitre}});
  a("to", v.to);
}

void fields(Archive& a, Part& v) {
  a.must("code", v.code);
  a.must("number", v.number);
  a.must("name", v.name);
  a("keys", v.keys);
  a("assembly", v.assembly);
  a.must("quantity", v.quantity);
  a.choice("hand", v.hand, {{"none", Hand::None}, {"left", Hand::Left}, {"right", Hand::Right}});
  a.must("material", v.material);
  a("lot", v.lot);
  a.must("thickness", v.thickness);
  reason(a, "length", v.length);
  reason(a, "width", v.width);
  a.choice("grain", v.grain, kPartGrains);
  a.choice("show", v.show, kFaces);
  texts(
      a, "edges", v.edges, sideName,
      [](const std::string& word) { return parseName(word, Side::Bottom, sideName); },
      "front, back, left, right, top or bottom");
  const auto same = [](const std::string& text) { return text; };
  const auto any = [](const std::string& text) { return std::optional(text); };
  texts(a, "bands", v.bands, same, any, "a banding's id");
  const auto seen = [](bool is) { return std::string(is ? "seen" : "hidden"); };
  texts(
      a, "exposed", v.exposed, seen,
      [&](const std::string& word) {
        return word == seen(true) || word == seen(false) ? std::optional(word == seen(true))
                                                         : std::nullopt;
      },
      "seen or hidden");
  a.unlessDefault("hiddenInside", v.hidden[0]);
  a.unlessDefault("hiddenOutside", v.hidden[1]);
  a("bandedLength", v.bandedLength);
  a("bandedWidth", v.bandedWidth);
  a("oversize", v.oversize);
  a("oversizeWhy", v.oversizeWhy);
  a.choice("finish", v.finish, kFinishes);
  if (a.wants("finishOutside", v.finishOutside))
    a.choice("finishOutside", *v.finishOutside, kFinishes);
  a("lumber", v.lumber);
  a("perBlank", v.perBlank);
  reason(a, "blankWidth", v.blankWidth);
  a("note", v.note);
  a("overridden", v.overridden);
  a("run", v.run);
  a("runOrder", v.runOrder);
  a.choice("series", v.series, kRunSeries);
  a("runsRound", v.runsRound);
  a.unlessDefault("waiting", v.waiting);
  a.unlessDefault("readOff", v.readOff);
  a.unlessDefault("anySuch", v.anySuch);
  a("machining", v.machining);
  a("joins", v.joins);
  a("poses", v.poses);
  a.unlessDefault("opening", v.opening);
  if (!v.keys.empty()) v.role = v.keys.front().role;
}

}  // namespace pp

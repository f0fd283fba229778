#include "core/kinds/kind.h"

#include <algorithm>

#include "core/kinds/base_frame/rules.h"
#include "core/kinds/boards/rules.h"
#include "core/kinds/box_set/rules.h"
#include "core/kinds/carcass/rules.h"
#include "core/kinds/group/rules.h"
#include "core/kinds/hung_shelf/rules.h"
#include "core/kinds/platform/rules.h"
#include "core/kinds/ring/rules.h"
#include "core/kinds/seat_box/rules.h"
#include "core/kinds/top/rules.h"
#include "core/kinds/wall_panel/rules.h"

namespace pp {
namespace {

template <class T>
constexpr Kind row(const char* field, const char* name, char letter, SeenFrom seen,
                   Installing installing) {
  return {
      field,
      name,
      letter,
      seen,
      installing,
      [](const Job& job, const AssemblyBody& body) { return widthOf(job, std::get<T>(body)); },
      [](const Job& job, const AssemblyBody& body) { return mostPieces(job, std::get<T>(body)); },
      [](Check& to, const std::string& at, const AssemblyBody& body) {
        check(to, at, std::get<T>(body));
      },
      []() -> AssemblyBody { return T{}; },
      [](const Job& job, const PlainMaterials& of) -> AssemblyBody {
        T out;
        begin(job, of, out);
        return out;
      },
      [](const AssemblyBody& body) -> AssemblyBody { return mirrored(std::get<T>(body)); },
      [](Archive& archive, AssemblyBody& body) { fields(archive, std::get<T>(body)); },
      [](const PartBuilder& builder, const AssemblyBody& body, Made& out) {
        make(builder, std::get<T>(body), out);
      }};
}

// In the variant's order; a test asks every row for its own kind.
constexpr Kinds kKinds = {
    row<Carcass>("carcass", "carcass", 'B', SeenFrom::Front, {CarriedAs::Case, false}),
    row<CarcassGroup>("group", "group of carcasses", 'G', SeenFrom::Front, {CarriedAs::Row, false}),
    row<Top>("top", "worktop", 'W', SeenFrom::Above, {CarriedAs::Top, false}),
    row<BaseFrame>("baseFrame", "base frame", 'F', SeenFrom::Above, {CarriedAs::Base, false}),
    row<WallPanel>("wallPanel", "wall panel", 'P', SeenFrom::Front, {CarriedAs::Whole, true}),
    row<SeatBox>("seatBox", "seat box", 'S', SeenFrom::Front, {CarriedAs::Bench, false}),
    row<Platform>("platform", "platform", 'D', SeenFrom::Above, {CarriedAs::Platform, false}),
    row<Ring>("ring", "ring", 'R', SeenFrom::Above, {CarriedAs::Whole, false}),
    row<Boards>("boards", "boards", 'K', SeenFrom::Front, {CarriedAs::Boards, false}),
    row<BoxSet>("boxSet", "boxes by themselves", 'T', SeenFrom::Front, {CarriedAs::Boxes, false}),
    row<HungShelf>("hungShelf", "hung shelf", 'H', SeenFrom::Front, {CarriedAs::Whole, true}),
};

PlainMaterials plainMaterials(const Job& job) {
  std::vector<const Material*> sheets;
  for (const Material& material : job.materials)
    if (!material.lumber) sheets.push_back(&material);
  PlainMaterials out;
  if (!job.bandings.empty()) out.banding = job.bandings.front().id;
  if (sheets.empty()) return out;
  const auto thinner = [](const Material* a, const Material* b) { return a->nominal < b->nominal; };
  out.thin = (*std::min_element(sheets.begin(), sheets.end(), thinner))->id;
  out.thick = (*std::max_element(sheets.begin(), sheets.end(), thinner))->id;
  // Of boxes: thick enough for the groove of a bottom, where anything is.
  constexpr Length kSturdy = Length::mm(9);
  const Material& middle = *sheets[sheets.size() / 2];
  out.middle = middle.measured >= kSturdy ? middle.id : out.thick;
  return out;
}

}  // namespace

const Kinds& kinds() {
  return kKinds;
}

const Kind& kindOf(const Assembly& assembly) {
  return kKinds[assembly.body.index()];
}

Length widthOf(const Job& job, const Assembly& assembly) {
  return kindOf(assembly).width(job, assembly.body);
}

Assembly plainAssembly(const Job& job, const Kind& kind) {
  Assembly out;
  out.name = kind.name;
  out.body = kind.plain(job, plainMaterials(job));
  return out;
}

}  // namespace pp

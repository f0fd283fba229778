#include "core/formats/usual_sizes.h"

#include <span>

#include "core/fields/json_archive.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/top/rules.h"

namespace pp {
namespace {

bool isOn(Length length, Length step) {
  return length.inNm() % step.inNm() == 0;
}

Length nearest(Length length, Length step) {
  const std::int64_t half = step.inNm() / 2;
  return (length.inNm() + half) / step.inNm() * step;
}

// From that length on sizes are said in such steps.
struct Steps {
  Length from, step;
};

Length rounded(Length length, std::span<const Steps> steps) {
  if (length < Length{}) return -rounded(-length, steps);
  for (const Steps& one : steps)
    if (length >= one.from) return std::max(one.step, nearest(length, one.step));
  return length;
}

}  // namespace

Length usualInInches(Length length) {
  constexpr Steps kSteps[] = {
      {Length::mm(240), Length::in(1)},         {Length::mm(75), Length::in(0, 1, 4)},
      {Length::mm(10), Length::in(0, 1, 8)},    {Length::mm(7), Length::in(0, 1, 16)},
      {Length::um(4'500), Length::in(0, 1, 4)},  // pins and their like come so
      {Length{}, Length::in(0, 1, 32)}};
  return isOn(length, Length::in(0, 1, 64)) ? length : rounded(length, kSteps);
}

Length usualInMillimetres(Length length) {
  constexpr Steps kSteps[] = {{Length::mm(240), Length::mm(10)},
                              {Length::mm(75), Length::mm(5)},
                              {Length::mm(10), Length::mm(1)},
                              {Length::mm(2), Length::um(500)},
                              {Length{}, Length::um(100)}};
  const bool inches = isOn(length, Length::in(0, 1, 64)) && !isOn(length, Length::um(500));
  return !inches && isOn(length, Length::um(100)) ? length : rounded(length, kSteps);
}

namespace {

auto saidIn(Unit unit) {
  return unit == Unit::Inch ? usualInInches : usualInMillimetres;
}

// What was written by a description is read by it.
template <class T>
T rewritten(const T& of, Unit unit) {
  T copy = of;
  JsonWriter writer(Unit::Millimetre, saidIn(unit));
  fields(writer, copy);
  T out;
  const Problems none =
      readObject({}, writer.text(), [&out](JsonReader& reader) { fields(reader, out); });
  if (!none.empty()) throw std::logic_error("what was written is not read: " + none.front().field);
  return out;
}

}  // namespace

Fragment inUsualSizes(const Fragment& fragment, Unit unit) {
  return readFragment({}, writeFragment(fragment, saidIn(unit))).value();
}
Baseboard inUsualSizes(const Baseboard& of, Unit unit) {
  return rewritten(of, unit);
}
FaceFrame inUsualSizes(const FaceFrame& of, Unit unit) {
  return rewritten(of, unit);
}
Stand inUsualSizes(const Stand& of, Unit unit) {
  return rewritten(of, unit);
}
Toe inUsualSizes(const Toe& of, Unit unit) {
  return rewritten(of, unit);
}
Top inUsualSizes(const Top& of, Unit unit) {
  return rewritten(of, unit);
}

}  // namespace pp

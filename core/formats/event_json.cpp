#include "core/formats/event_json.h"

#include <fmt/format.h>

#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <tuple>

#include "core/fields/archive.h"

namespace pp {
namespace {

constexpr std::int64_t kMinute = 60'000;  // milliseconds
constexpr std::int64_t kDay = 24 * 60 * kMinute;

constexpr Choice<EventKind> kEventKinds[] = {{"taken", EventKind::Taken},
                                             {"given up", EventKind::GivenUp},
                                             {"plan taken", EventKind::PlanTaken},
                                             {"plan taken back", EventKind::PlanTakenBack},
                                             {"cut made", EventKind::CutMade},
                                             {"cut taken back", EventKind::CutTakenBack},
                                             {"part spoiled", EventKind::PartSpoiled},
                                             {"came out at", EventKind::CameOutAt},
                                             {"spare", EventKind::Spare},
                                             {"spare taken back", EventKind::SpareTakenBack},
                                             {"sheet measured", EventKind::SheetMeasured},
                                             {"machined", EventKind::Machined},
                                             {"banded", EventKind::Banded},
                                             {"coat given", EventKind::CoatGiven},
                                             {"step assembled", EventKind::StepAssembled},
                                             {"went wrong", EventKind::WentWrong},
                                             {"piece returned", EventKind::PieceReturned},
                                             {"clock started", EventKind::ClockStarted},
                                             {"clock stopped", EventKind::ClockStopped},
                                             {"mishap noted", EventKind::MishapNoted},
                                             {"label printed", EventKind::LabelPrinted},
                                             {"label wanted", EventKind::LabelWanted},
                                             {"done taken back", EventKind::DoneTakenBack}};

}  // namespace

std::string timeText(std::int64_t time, int offset) {
  const std::int64_t local = time + offset * kMinute;
  const std::int64_t days = local >= 0 ? local / kDay : (local - kDay + 1) / kDay;
  const std::int64_t rest = local - days * kDay;
  const std::chrono::year_month_day day{
      std::chrono::sys_days(std::chrono::days(static_cast<int>(days)))};
  return fmt::format("{:04}-{:02}-{:02}T{:02}:{:02}:{:02}.{:03}{}{:02}:{:02}",
                     static_cast<int>(day.year()), static_cast<unsigned>(day.month()),
                     static_cast<unsigned>(day.day()), rest / (60 * kMinute), rest / kMinute % 60,
                     rest / 1000 % 60, rest % 1000, offset < 0 ? '-' : '+', std::abs(offset) / 60,
                     std::abs(offset) % 60);
}

std::optional<std::pair<std::int64_t, int>> parseTime(const std::string& text) {
  int year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0, milli = 0, east = 0, past = 0;
  char sign = 0;
  if (std::sscanf(text.c_str(), "%4d-%2d-%2dT%2d:%2d:%2d.%3d%c%2d:%2d", &year, &month, &day, &hour,
                  &minute, &second, &milli, &sign, &east, &past) != 10)
    return std::nullopt;
  const std::chrono::year_month_day date{std::chrono::year(year),
                                         std::chrono::month(static_cast<unsigned>(month)),
                                         std::chrono::day(static_cast<unsigned>(day))};
  if (!date.ok()) return std::nullopt;
  const int offset = (sign == '-' ? -1 : 1) * (east * 60 + past);
  const std::int64_t days = std::chrono::sys_days(date).time_since_epoch().count();
  const std::int64_t time = days * kDay +
                            ((hour * 60 + minute) * 60 + second) * std::int64_t{1000} + milli -
                            offset * kMinute;
  // The same text again: nothing that is out of bounds or put otherwise.
  if (timeText(time, offset) != text) return std::nullopt;
  return std::pair(time, offset);
}

void fields(Archive& a, Event& v) {
  std::string time = a.reads() ? std::string() : timeText(v.time, v.offset);
  std::string hash = a.reads() ? std::string() : hashOf(v);
  a.must("seq", v.seq);
  a.must("time", time);
  a.choice("kind", v.kind, kEventKinds);
  a.unlessDefault("cutting", v.cutting);
  a.unlessDefault("plan", v.plan);
  a.unlessDefault("step", v.step);
  std::string code = v.piece ? v.piece->code : std::string();
  std::int64_t number = v.piece ? v.piece->number : 0;
  a.unlessDefault("code", code);
  a.unlessDefault("number", number);
  if (a.reads() && !code.empty()) v.piece = PieceId{code, number};
  a.unlessDefault("name", v.name);
  a.unlessDefault("length", v.length);
  a.unlessDefault("width", v.width);
  a.unlessDefault("thickness", v.thickness);
  a.unlessDefault("note", v.note);
  a.must("hash", hash);
  if (!a.reads()) return;
  if (const auto when = parseTime(time))
    std::tie(v.time, v.offset) = *when;
  else
    a.refuse("time", "a time such as 2026-11-26T08:01:02.345+01:00");
  if (hash != hashOf(v)) a.refuse("hash", "the hash of what stands there");
}

}  // namespace pp

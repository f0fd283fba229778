#include "core/secondlook/site_look.h"

#include <fmt/format.h>

#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/site/words.h"

namespace pp {
namespace {

Finding finding(Severity severity, std::string what, std::string why) {
  Finding out;
  out.severity = severity;
  out.what = std::move(what);
  out.why = std::move(why);
  return out;
}

void addReadings(const Job& job, std::vector<Finding>& out) {
  const LengthStyle style = styleOf(job);
  for (const SiteSize& size : job.site.sizes) {
    if (!isOf(job.site.kind, size)) continue;
    const std::string words = sizeWords(size, style);
    const Judged judged = judge(size.read, useOf(size.kind), job.unit);
    if (judged.wantsThird)
      out.push_back(finding(
          Severity::Stop, fmt::format("The place: two readings of the {} do not agree", words),
          slipWords(judged.slip, *size.read.first, *size.read.second, style) +
              (size.read.third ? "; the third agrees with neither: read it once more."
                               : "; a third reading decides.")));
    else if (judged.size && !judged.confirmed)
      out.push_back(finding(Severity::Mind, fmt::format("The place: {} was read once only", words),
                            "A second reading that does not see the first finds the usual slips."));
  }
}

void addFilled(const Job& job, std::vector<Finding>& out) {
  const LengthStyle style = styleOf(job);
  for (const SiteStand& stand : job.site.stands) {
    const Assembly* one = findAssembly(job, stand.assembly);
    if (one == nullptr || !stand.fills) continue;
    const auto left = widthLeftTo(job, stand);
    Finding told;
    if (!left)
      told = finding(Severity::Stop,
                     fmt::format("{} fills the wall, and the wall has no width yet", one->code),
                     "Read the width at the foot, in the middle and at the top of what stands "
                     "there, and hold a level to the wall on the left.");
    else if (!left->confirmed)
      told = finding(
          Severity::Mind,
          fmt::format("{} follows from sizes of the place that are not confirmed", one->code),
          fmt::format("It is {} wide for now; nothing of it should be cut before each "
                      "was read twice alike.",
                      formatWithUnit(left->width.built, style)));
    else
      continue;
    told.place.assembly = one->code;
    out.push_back(std::move(told));
  }
}

std::string wider(Length by, const LengthStyle& style) {
  return by < Length{} ? formatWithUnit(-by, style) + " narrower"
                       : formatWithUnit(by, style) + " wider";
}

// The widths and the lean of the left wall say how the right one must lean.
void addContradiction(const Job& job, std::vector<Finding>& out) {
  std::optional<Length> low, high, left, right;
  Length from, to, leftOver, rightOver;
  for (const SiteSize& size : job.site.sizes) {
    const Judged judged = judge(size.read, useOf(size.kind), job.unit);
    if (!judged.size || !isOf(job.site.kind, size)) continue;
    if (size.kind == SizeKind::Width) {
      if (!low || size.at < from) low = judged.size, from = size.at;
      if (!high || size.at > to) high = judged.size, to = size.at;
    } else if (size.kind == SizeKind::Plumb) {
      (size.wall == WallAt::Left ? left : right) = judged.size;
      (size.wall == WallAt::Left ? leftOver : rightOver) = size.at;
    }
  }
  if (!low || !high || !left || !right || to <= from || leftOver != rightOver) return;
  const double share = (to - from).inMm() / leftOver.inMm();
  const Length widths = *high - *low;
  const Length leans =
      Length::nm(static_cast<std::int64_t>(static_cast<double>((*right - *left).inNm()) * share));
  const Length apart = widths > leans ? widths - leans : leans - widths;
  // Each of four readings may be as far off as two of one size may be apart.
  if (apart <= 4 * readingTolerance(job.unit)) return;
  const LengthStyle style = styleOf(job);
  out.push_back(finding(
      Severity::Mind, "The place: the widths and the two walls out of plumb do not agree",
      fmt::format("At the top it is {} by the widths and {} by the level: one was read wrong, or a "
                  "wall is not straight.",
                  wider(widths, style), wider(leans, style))));
}

void addShape(const Job& job, std::vector<Finding>& out) {
  const LengthStyle style = styleOf(job);
  if (const auto off = outOfSquare(job.site, job.unit);
      off && *off > usual(job.unit, Length::mm(12), Length::in(0, 1, 2)))
    out.push_back(
        finding(Severity::Tip,
                fmt::format("The place is out of square: its diagonals differ by {}",
                            formatWithUnit(*off, style)),
                "What is built stays square: fillers and scribed ends take up the difference."));
  for (const SiteSize& size : job.site.sizes) {
    if (size.kind != SizeKind::Level || !isOf(job.site.kind, size)) continue;
    const auto read = judge(size.read, ReadFor::Clearing, job.unit).size;
    if (!read) continue;
    const Length off = *read < Length{} ? -*read : *read;
    if (off > usual(job.unit, Length::mm(20), Length::in(0, 3, 4)))
      out.push_back(
          finding(Severity::Mind,
                  fmt::format("The floor is {} higher on the {}", formatWithUnit(off, style),
                              *read > Length{} ? "right" : "left"),
                  "Begin at the high point, and level the base with shims or adjustable feet."));
  }
}

}  // namespace

std::vector<Finding> checkSite(const Job& job, const Breakdown&) {
  std::vector<Finding> out;
  addReadings(job, out);
  addFilled(job, out);
  addContradiction(job, out);
  addShape(job, out);
  return out;
}

}  // namespace pp

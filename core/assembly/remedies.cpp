#include "core/assembly/remedies.h"

#include <algorithm>
#include <set>

#include "core/floor/mishap.h"

namespace pp::bench {
namespace {

constexpr Length kAsWanted = Length::um(500);

Length size(Length off) {
  return off < Length{} ? -off : off;
}

class Finding {
 public:
  Finding(const Wrong& wrong, const floor::Ledger& ledger, const std::vector<Part>& drawn,
          const Part& part)
      : wrong_(wrong), ledger_(ledger), drawn_(drawn), part_(part) {}

  std::vector<Remedy> run() {
    const Length off = offBy();
    if (wrong_.fault == Fault::Blemished) hide();
    if (wrong_.fault == Fault::OtherSize) {
      follow();
      split(off);
    }
    if (wrong_.fault != Fault::OtherSize || off < Length{}) fill();
    spare();
    leftover();
    later();
    return std::move(out_);
  }

 private:
  // The larger of how much it is off along and across.
  Length offBy() const {
    const auto off = [](Length is, Length wanted) {
      return is == Length{} ? Length{} : is - wanted;
    };
    const Length a = off(wrong_.length, part_.length.total());
    const Length b = off(wrong_.width, part_.width.total());
    return size(a) >= size(b) ? a : b;
  }

  Event said(EventKind kind) const {
    Event out;
    out.kind = kind;
    out.piece = wrong_.piece;
    return out;
  }
  Remedy begin(Remedy::Kind kind, const std::string& how) const {
    Remedy out;
    out.kind = kind;
    Event noted = said(EventKind::WentWrong);
    noted.note = faultName(wrong_.fault) + ": " + how;
    out.events.push_back(std::move(noted));
    if (wrong_.fault == Fault::OtherSize && keeps(kind)) {
      Event size = said(EventKind::CameOutAt);
      size.length = wrong_.length == Length{} ? part_.length.total() : wrong_.length;
      size.width = wrong_.width == Length{} ? part_.width.total() : wrong_.width;
      out.events.push_back(std::move(size));
    }
    if (!keeps(kind)) out.events.push_back(said(EventKind::PartSpoiled));
    return out;
  }
  // Whether the piece itself is still used.
  static bool keeps(Remedy::Kind kind) {
    return kind != Remedy::Kind::Spare && kind != Remedy::Kind::Leftover &&
           kind != Remedy::Kind::CutLater;
  }

  // Turned over it is the same but for what shows: nothing is cut into a face, and one is hidden.
  void hide() {
    if (part_.machining.empty() && (part_.hidden[0] || part_.hidden[1]))
      out_.push_back(begin(Remedy::Kind::Hide, "turned over"));
  }

  // Parts it is joined to, and those joined to it, of which none is cut yet.
  void follow() {
    std::set<std::string> mates;
    for (const Part& other : drawn_) {
      if (other.assembly != part_.assembly || other.code == part_.code) continue;
      const auto names = [](const Part& of, const Part& to) {
        return std::any_of(of.joins.begin(), of.joins.end(),
                           [&](const Join& join) { return join.to == to.name; });
      };
      if ((names(part_, other) || names(other, part_)) && ledger_.now().good(other.code) == 0)
        mates.insert(other.code);
    }
    if (mates.empty()) return;
    Remedy out = begin(Remedy::Kind::Follow, "what meets it follows");
    out.touches.assign(mates.begin(), mates.end());
    out_.push_back(std::move(out));
  }

  void split(Length off) {
    // More than this is seen.
    constexpr Length kMost = Length::mm(3);
    if (size(off) <= kAsWanted || size(off) > kMost) return;
    Remedy out = begin(Remedy::Kind::Split, "the difference split");
    out.each = size(off) / 2;
    out_.push_back(std::move(out));
  }

  void fill() { out_.push_back(begin(Remedy::Kind::Fill, "packed or filled")); }

  // Cut at the same setting, good, and nothing was done to it yet.
  void spare() {
    for (const auto& [piece, state] : ledger_.now().pieces) {
      if (piece.code != part_.code || piece == wrong_.piece || !state.spare || state.spoiled ||
          !state.done.empty())
        continue;
      Remedy out = begin(Remedy::Kind::Spare, "a spare instead");
      out.from = std::to_string(piece.number);
      out_.push_back(std::move(out));
      return;
    }
  }

  void leftover() {
    for (const floor::LeftoverThere& left : ledger_.leftovers()) {
      if (!ledger_.now().isUnderWay(left.on.cutting) || !holds(left)) continue;
      Remedy out = begin(Remedy::Kind::Leftover, "cut again from " + left.on.leftover);
      out.from = left.on.leftover;
      out.takes = part_.cutLength() * part_.cutWidth();
      out_.push_back(std::move(out));
      return;
    }
  }
  // In a direction that its grain allows.
  bool holds(const floor::LeftoverThere& left) const {
    const NestRequest& request = left.plan->request;
    const auto stock = static_cast<std::size_t>(left.stock - request.stock.data());
    std::vector<std::int64_t> done;
    for (const PartDemand& part : request.parts)
      done.push_back(part.quantity - (part.code == part_.code ? 1 : 0));
    const std::vector<std::string> codes =
        floor::goodFor(request, done, stock, left.length, left.width);
    return std::find(codes.begin(), codes.end(), part_.code) != codes.end();
  }

  void later() {
    Remedy out = begin(Remedy::Kind::CutLater, "cut again");
    out.takes = part_.cutLength() * part_.cutWidth();
    out_.push_back(std::move(out));
  }

  const Wrong& wrong_;
  const floor::Ledger& ledger_;
  const std::vector<Part>& drawn_;
  const Part& part_;
  std::vector<Remedy> out_;
};

}  // namespace

std::string faultName(Fault fault) {
  switch (fault) {
    case Fault::MachinedWrongly:
      return "machined wrongly";
    case Fault::Blemished:
      return "blemished";
    case Fault::NoFit:
      return "does not fit its mate";
    case Fault::OtherSize:
      break;
  }
  return "came out at another size";
}

Result<std::vector<Remedy>> remedies(const Wrong& wrong, const std::vector<Cutting>& cuttings,
                                     const floor::Ledger& ledger, const std::vector<Part>& drawn) {
  const floor::Progress& progress = ledger.now();
  const auto piece = progress.pieces.find(wrong.piece);
  const Part* part = floor::partOf(cuttings, wrong.piece);
  if (piece == progress.pieces.end() || piece->second.spoiled || part == nullptr)
    return Problem{{},
                   0,
                   "piece",
                   wrong.piece.code + " no. " + std::to_string(wrong.piece.number),
                   "one that is cut and good"};
  if (wrong.fault == Fault::OtherSize) {
    if (wrong.length <= Length{} && wrong.width <= Length{})
      return Problem{{}, 0, "size", "none", "its length or width as measured"};
    const auto is = [](Length measured, Length wanted) {
      return measured <= Length{} || size(measured - wanted) <= kAsWanted;
    };
    if (is(wrong.length, part->length.total()) && is(wrong.width, part->width.total()))
      return Problem{
          {}, 0, "size", "as it was to be, within half a millimetre", "one that is off by more"};
  }
  return Finding(wrong, ledger, drawn, *part).run();
}

}  // namespace pp::bench

// What can be chosen for one part beside what the rules say.
#include <map>

#include "app/sentences/features.h"
#include "core/breakdown/overrides.h"

namespace pp {
namespace {

class PartWriter : public FeatureWriter<PartOverride> {
 public:
  PartWriter(const Job& job, const std::vector<Part>& parts, const Part& part,
             const PartOverride& chosen, bool alone)
      : FeatureWriter(job, chosen, [](Edited& e) -> PartOverride& { return e.choice; }),
        parts_(parts),
        part_(part),
        alone_(alone) {
    for (const Edge edge : kEdges) {
      const auto i = static_cast<std::size_t>(edge);
      const bool end = edge == Edge::W1 || edge == Edge::W2;
      edges_[i] = (end ? tr("the %1 end") : tr("the %1 edge")).arg(qs(sideName(part.edges[i])));
    }
  }

  Paragraph run() {
    begin();
    say(tr("%1 %2%3 is of")
            .arg(qs(part_.code), qs(part_.name),
                 alone_ ? tr(", this one of %1,").arg(part_.quantity) : QString()));
    whatOf();
    figure();
    say(tr(". It is"));
    size(tr("part length"), tr("as long"), &PartOverride::length, &PartOverride::lengthMoves,
         {Edge::W1, Edge::W2});
    say(tr("and"));
    size(tr("part width"), tr("as wide"), &PartOverride::width, &PartOverride::widthMoves,
         {Edge::L1, Edge::L2});
    say(tr("as the rules have it, cut"));
    oversize();
    say(tr("over;"));
    reading();
    whichSheets();
    for (const Edge edge : kEdges) {
      edgeWords(edge);
      say(edge == Edge::W2 ? tr(".") : tr(";"));
    }
    say(tr("What the rules say is cut into it"));
    features(
        body_.features, {}, [](PartOverride& o) -> std::vector<Feature>& { return o.features; },
        part_.length.total(), part_.width.total(), part_.thickness);
    say(tr(". The reason:"));
    typedList(tr("part reason"), qs(body_.why), [](PartOverride& o, const QString& text) {
      o.why = text.trimmed().toStdString();
      return Problems{};
    });
    say(tr(";"));
    choice(tr("part choices"), {tr("so it stays"), tr("back to the rules")}, 0,
           [](PartOverride& o, int i) {
             if (i == 0) return;
             PartOverride none;
             none.part = o.part;
             none.alike = o.alike;
             none.why = o.why;
             o = none;
           });
    say(tr("."));
    return std::move(out_.back());
  }

 private:
  void whatOf() {
    material(
        tr("part material"), body_.material.value_or(""),
        [](PartOverride& o, const std::string& id) {
          o.material = id.empty() ? std::nullopt : std::optional(id);
        },
        tr("its own material"));
    say(tr(", grain"));
    choice(tr("part grain"), QStringList{tr("as ruled")} + said<BoardGrain>(),
           body_.grain ? static_cast<int>(*body_.grain) + 1 : 0, [](PartOverride& o, int i) {
             o.grain = i == 0 ? std::nullopt : std::optional(static_cast<BoardGrain>(i - 1));
           });
    say(tr(", showing"));
    choice(tr("part show face"), QStringList{tr("the face as ruled")} + said<Face>(),
           body_.show ? static_cast<int>(*body_.show) + 1 : 0, [](PartOverride& o, int i) {
             o.show = i == 0 ? std::nullopt : std::optional(static_cast<Face>(i - 1));
           });
    say(tr("; inside"));
    ownFinish(tr("part finish inside"), body_.finishInside,
              [](PartOverride& o, std::optional<Finish> f) { o.finishInside = f; });
    say(tr(", outside"));
    ownFinish(tr("part finish outside"), body_.finishOutside,
              [](PartOverride& o, std::optional<Finish> f) { o.finishOutside = f; });
  }

  // A size of one's own and the edge that moves for it; or none.
  void size(const QString& name, const QString& ruled, std::optional<Length> PartOverride::*field,
            SizeMoves PartOverride::*moves, std::pair<Edge, Edge> edges) {
    const bool nearHeld = part_.isJoined(edges.first);
    const SizeMoves first = nearHeld                       ? SizeMoves::Far
                            : part_.isJoined(edges.second) ? SizeMoves::Near
                                                           : SizeMoves::Both;
    ownLength(name, body_.*field, ruled,
              [field, moves, first](PartOverride& o, std::optional<Length> own) {
                if (!own)
                  o.*moves = SizeMoves::Far;
                else if (!(o.*field))
                  o.*moves = first;
                o.*field = own;
              });
    if (!(body_.*field)) return;
    say(tr("(the difference"));
    choice(
        tr("%1 moves").arg(name),
        {tr("all at %1").arg(edges_[static_cast<std::size_t>(edges.second)]),
         tr("all at %1").arg(edges_[static_cast<std::size_t>(edges.first)]), tr("half at either")},
        static_cast<int>(body_.*moves),
        [moves](PartOverride& o, int i) { o.*moves = static_cast<SizeMoves>(i); });
    say(tr(")"));
  }

  // Typed as the code of the part before.
  void figure() {
    std::map<QString, PartKey> known;
    for (const Part& part : parts_)
      if (part.code != part_.code && part.material == part_.material)
        known[qs(part.code)] = part.keys.front();
    const QString alone = tr("starts by itself");
    const QString code = body_.follows ? qs(codeOf(parts_, *body_.follows)) : QString();
    say(tr(". Its figure"));
    typedList(tr("figure runs on from"), body_.follows ? tr("runs on from %1").arg(code) : alone,
              [known, alone](PartOverride& o, const QString& text) -> Problems {
                o.follows.reset();
                const QString words = text.trimmed();
                if (words.isEmpty() || words == alone) return {};
                const QString last = words.section(QLatin1Char(' '), -1).toUpper();
                const auto at = known.find(last);
                if (at == known.end())
                  return {{{},
                           0,
                           "figure",
                           "'" + words.toStdString() + "'",
                           "the code of another part of the same material, such as " +
                               (known.empty() ? std::string("B1-02")
                                              : known.begin()->first.toStdString())}};
                o.follows = at->second;
                return {};
              });
  }

  // Waits for its size to be read off the work.
  void reading() {
    const auto& reads = body_.reads;
    say(tr("its size is"));
    choice(
        tr("part measured"),
        {tr("worked out"), tr("its length read off the work"), tr("its width read off the work")},
        !reads           ? 0
        : reads->ofWidth ? 2
                         : 1,
        [](PartOverride& o, int i) {
          if (i == 0) return o.reads.reset();
          if (!o.reads) o.reads.emplace();
          o.reads->ofWidth = i == 2;
        });
    if (reads) {
      say(tr(", until then larger by"));
      length(tr("part allowance"), reads->allowance,
             [](PartOverride& o, Length l) { o.reads->allowance = l; });
      say(tr("; read:"));
      readings(tr("part readings"), reads->readings, [](PartOverride& o, std::vector<Length> all) {
        o.reads->readings = std::move(all);
      });
    }
    say(tr(";"));
  }

  void whichSheets() {
    say(tr("it is cut from"));
    choice(tr("part sheets"), {tr("the sheets named"), tr("any sheets as thick")},
           body_.anySuch ? 1 : 0, [](PartOverride& o, int i) { o.anySuch = i == 1; });
    say(tr(";"));
  }

  void oversize() {
    length(tr("part oversize"), part_.oversize, [](PartOverride& o, Length l) { o.oversize = l; });
  }

  static EdgeChoice& edgeOf(PartOverride& o, Side side) {
    for (EdgeChoice& one : o.edges)
      if (one.side == side) return one;
    o.edges.push_back({});
    o.edges.back().side = side;
    return o.edges.back();
  }
  // What says nothing is left out.
  static void tidy(PartOverride& o) {
    std::erase_if(o.edges, [](const EdgeChoice& one) {
      return one.beyond == Length{} && !one.joint && !one.banding;
    });
  }

  void edgeWords(Edge edge) {
    const Side side = part_.edges[static_cast<std::size_t>(edge)];
    const QString name = qs(sideName(side));
    const EdgeChoice* known = body_.edge(side);
    say(tr("%1:").arg(name));
    bandingWords(side, name, known);
    say(tr(","));
    beyondWords(side, name, known == nullptr ? Length{} : known->beyond);
    const bool end = edge == Edge::W1 || edge == Edge::W2;
    if (end && isPanel()) {
      say(tr(","));
      choice(tr("part %1 joint").arg(name), QStringList{tr("joined as the case")} + said<Joint>(),
             known != nullptr && known->joint ? static_cast<int>(*known->joint) + 1 : 0,
             [side](PartOverride& o, int i) {
               edgeOf(o, side).joint =
                   i == 0 ? std::nullopt : std::optional(static_cast<Joint>(i - 1));
               tidy(o);
             });
    }
  }

  bool isPanel() const {
    using enum PartRole;
    return part_.role == Divider || part_.role == FixedShelf || part_.role == Bottom ||
           part_.role == Top || part_.role == FrontStretcher || part_.role == RearStretcher;
  }

  void bandingWords(Side side, const QString& name, const EdgeChoice* known) {
    QStringList names = {tr("banding as ruled"), tr("no banding")};
    std::vector<std::optional<std::string>> ids = {std::nullopt, std::string()};
    int chosen = known != nullptr && known->banding ? 1 : 0;
    for (const Banding& banding : job_.bandings) {
      if (known != nullptr && known->banding == banding.id) chosen = static_cast<int>(names.size());
      names << qs(banding.name);
      ids.emplace_back(banding.id);
    }
    choice(tr("part %1 banding").arg(name), names, chosen, [ids, side](PartOverride& o, int i) {
      edgeOf(o, side).banding = ids[static_cast<std::size_t>(i)];
      tidy(o);
    });
  }

  // Typed with a minus where the edge is set back.
  void beyondWords(Side side, const QString& name, Length beyond) {
    const bool back = beyond < Length{};
    const QString value =
        (back ? QStringLiteral("−") : QString()) + typed(back ? -beyond : beyond, style_);
    typedList(tr("part %1 beyond").arg(name), value,
              [side, unit = style_.unit](PartOverride& o, const QString& text) -> Problems {
                QString words = text.trimmed();
                const bool minus =
                    words.startsWith(QLatin1Char('-')) || words.startsWith(QChar(0x2212));
                if (minus) words = words.mid(1);
                const auto length = parseExpression(words.toStdString(), unit);
                if (!length) return length.problems();
                edgeOf(o, side).beyond = minus ? -length.value() : length.value();
                tidy(o);
                return {};
              });
    say(tr("beyond the rule"));
  }

  const std::vector<Part>& parts_;
  const Part& part_;
  bool alone_;
};

}  // namespace

Paragraph describePart(const Job& job, const std::vector<Part>& parts, const Part& part,
                       bool alone) {
  PartOverride chosen;
  chosen.why = QObject::tr("by hand").toStdString();
  if (const PartOverride* made = overrideOf(job, part)) chosen = *made;
  return PartWriter(job, parts, part, chosen, alone).run();
}

}  // namespace pp

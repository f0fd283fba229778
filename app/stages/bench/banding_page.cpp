#include <utility>

#include "app/stages/bench/bench_page.h"
#include "core/assembly/pages.h"
#include "pictures/paint/banding_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

class BandingPage : public BenchPage {
 public:
  BandingPage(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session), of_(std::move(pieces), session.job()) {}

  const bench::Worklist& list() const override { return of_.list; }

  QString countWords() const override {
    QStringList out;
    for (const bench::RollCount& count : of_.counts)
      out << QObject::tr("%1 %2").arg(metres(count.run), name(count.banding));
    return out.join(QStringLiteral(", "));
  }

  QString groupHead(std::size_t group) const override {
    const bench::Roll& roll = of_.rolls[group];
    return QObject::tr("%1   %2").arg(name(roll.banding),
                                      roll.ends ? QObject::tr("ends") : QObject::tr("long edges"));
  }

  QString groupFoot(std::size_t group) const override { return gluedWords(of_.rolls[group].glued); }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::Roll& roll = of_.roll(step);
    const bench::Strip& strip = of_.strip(step);
    StepWords out;
    out.with = QObject::tr("%1, strip").arg(name(roll.banding));
    std::tie(out.figure, out.figureInOtherUnit) =
        inBothUnits(session_.style(),
                    [&](const LengthStyle& style) { return figureWithUnit(strip.length, style); });
    out.what = stripWords(strip, of_.list.part(step), session_.style());
    out.how = gluedWords(roll.glued);
    if (isSolid(roll.banding)) {
      out.caution = QObject::tr(
          "Glue, tape or clamps along all of it, squeeze-out off while it is soft; flushed when it "
          "is dry, with the grain, hands behind the edge.");
    } else {
      if (step.group == 0) out.first = QObject::tr("first: heat, press and trim one on an offcut");
      out.caution = QObject::tr(
          "The iron and what it has heated burn; the trimmer cuts skin as it cuts edging. File "
          "from the banding towards the board.");
    }
    return out;
  }

  void paint(QPainter& painter, const QRectF& room,
             const bench::Worklist::Step& step) const override {
    const Part& part = of_.list.part(step);
    paintStrip(painter, room, of_.strip(step), part, toneOf(session_.job(), part));
  }

  QString nothing() const override { return QObject::tr("No edge is banded."); }
  QString allDone() const override { return QObject::tr("Every edge is banded."); }

  QString remark() const override {
    QStringList out;
    for (const bench::RollCount& count : of_.counts) {
      QString line = QObject::tr("%1: %2, %3, %4")
                         .arg(name(count.banding),
                              counted(count.strips, QObject::tr("strip"), QObject::tr("strips")),
                              metres(count.run),
                              counted(count.rolls, QObject::tr("roll"), QObject::tr("rolls")));
      if (const auto state = session_.store().state())
        for (const RackBanding& row : state->bandings)
          if (row.name == name(count.banding).toStdString())
            line += QObject::tr("; the shop has %1").arg(metres(row.left));
      out << line;
    }
    if (!of_.solid.empty())
      out << QObject::tr("Solid edging, on bars with the other lumber, in this order:");
    for (const bench::SolidEdging& one : of_.solid)
      out << solidWords(one, of_.list.pieces(), session_.style());
    if (!of_.bare.empty()) out << QObject::tr("Seen, and bare:");
    for (const bench::BareEdge& bare : of_.bare) {
      const bench::Pieces& of = of_.list.pieces()[bare.row];
      out << QObject::tr("%1 %2, %3 edge")
                 .arg(qs(of.part.code), qs(of.part.name), edgeWord(of.part, bare.edge));
    }
    return out.join(QLatin1Char('\n'));
  }

 private:
  QString name(const std::string& id) const { return bandingName(session_.job(), id); }
  // Wood that is glued on, rather than a band.
  bool isSolid(const std::string& id) const {
    const Banding* banding = findBanding(session_.job(), id);
    return banding != nullptr && banding->thickness > Length::mm(2);
  }
  QString metres(Length length) const { return runFigure(length, session_.job().unit); }

  const Session& session_;
  bench::Bandings of_;
};

}  // namespace

std::unique_ptr<BenchPage> bandingLeaf(const Session& session, std::vector<bench::Pieces> pieces) {
  return std::make_unique<BandingPage>(session, std::move(pieces));
}

}  // namespace pp

#include <utility>

#include "app/stages/bench/bench_page.h"
#include "core/assembly/pages.h"
#include "pictures/paint/bench_picture.h"
#include "words/figures.h"

namespace pp {
namespace {

// The usual cautions, by tool.
QString cautionFor(bench::Tool tool) {
  switch (tool) {
    case bench::Tool::DadoStack:
      return QObject::tr(
          "Pull the plug before the stack is built. Push blocks over the blade, hands clear of "
          "it.");
    case bench::Tool::RouterTable:
      return QObject::tr("Against the turn of the bit, guard and featherboard on.");
    case bench::Tool::TableSaw:
      return QObject::tr("Guard on wherever the cut allows it, push block, stand out of line.");
    case bench::Tool::Router:
      return QObject::tr("Clamp piece and straightedge; from left to right, away from you.");
    case bench::Tool::Drill:
    case bench::Tool::PocketJig:
      return QObject::tr("Clamp the piece; let the bit stop before it is lifted out.");
    case bench::Tool::Jig:
      return QObject::tr("The piece is clamped to the jig; both hands on the jig.");
    case bench::Tool::HandSaw:
      return QObject::tr("Saw beside the line; stop before the corner and square it by hand.");
    case bench::Tool::Template:
      return QObject::tr("Make one, try it, then trace it or rout the others flush to it.");
    case bench::Tool::EaseBit:
      return QObject::tr("Ends first, then sides, so that what breaks out is taken off.");
  }
  return {};
}

class MachiningPage : public BenchPage {
 public:
  MachiningPage(const Session& session, std::vector<bench::Pieces> pieces)
      : session_(session), of_(std::move(pieces), session.breakdown().parts, session.job()) {}

  const bench::Worklist& list() const override { return of_.list; }

  QString countWords() const override {
    return counted(std::ssize(of_.settings), QObject::tr("setting"), QObject::tr("settings"));
  }

  QString groupHead(std::size_t group) const override {
    const bench::Setting& one = of_.settings[group];
    return QObject::tr("%1   %2").arg(toolWords(one.tool), settingWords(one, session_.style()));
  }

  QString groupFoot(std::size_t group) const override {
    return cutWords(of_.settings[group], session_.style()).section(QLatin1Char(','), 0, 0);
  }

  StepWords words(const bench::Worklist::Step& step) const override {
    const bench::Setting& setting = of_.setting(step);
    const bench::Work& work = of_.work(step);
    StepWords out;
    out.with = isFromFence(setting) ? QObject::tr("%1, fence to cut").arg(toolWords(setting.tool))
                                    : toolWords(setting.tool);
    std::tie(out.figure, out.figureInOtherUnit) = inBothUnits(
        session_.style(), [&](const LengthStyle& style) { return settingWords(setting, style); });
    const QString size = cutWords(setting, session_.style());
    out.what = qs(cutName(setting.cut));
    if (!size.isEmpty()) out.what += QStringLiteral(", ") + size;
    out.how = liesWords(setting, work, of_.list.part(step));
    const QString row = rowWords(work, of_.list.part(step), session_.style());
    if (!row.isEmpty()) out.how += QStringLiteral("; ") + row;
    out.first = testWords(setting);
    if (const auto slot = trial(step))
      if (const auto off = lastOff(*slot); off && *off != Length{})
        out.first += (*off > Length{} ? QObject::tr("; last time %1 loose: build it to %2")
                                      : QObject::tr("; last time %1 tight: build it to %2"))
                         .arg(figureWithUnit(std::max(*off, -*off), session_.style()),
                              figureWithUnit(slot->width - *off, session_.style()));
    out.caution = cautionFor(setting.tool);
    if (isFromFence(setting) && setting.distance == Length{} &&
        setting.cut != MachiningKind::EdgeGroove)
      out.caution += QObject::tr(" At 0 a wooden fence stands before the saw's: it is cut into.");
    for (const bench::Warning& warning : of_.warnings)
      if (warning.row == work.row) out.caution += QObject::tr(" Mind: %1.").arg(qs(warning.words));
    return out;
  }

  void paint(QPainter& painter, const QRectF& room,
             const bench::Worklist::Step& step) const override {
    const Part& part = of_.list.part(step);
    paintWork(painter, room, of_.setting(step), of_.work(step), part, toneOf(session_.job(), part));
  }

  std::optional<bench::Tried> trial(const bench::Worklist::Step& step) const override {
    const bench::Setting& setting = of_.setting(step);
    if (!setting.testCut || setting.width == Length{}) return std::nullopt;
    return bench::Tried{setting.tool, setting.width, {}};
  }

  // What is set otherwise than it was to be when the parts were taken to the saw.
  QString remark() const override {
    QStringList out;
    for (const bench::NewWidth& one : of_.newWidths) {
      const Part& part = of_.list.pieces()[one.row].part;
      const QString line =
          QObject::tr("%1 %2 for the %3: %4 wide, was %5")
              .arg(qs(part.code), qs(cutName(part.machining[one.machining].cut)),
                   qs(part.machining[one.machining].receives),
                   figureWithUnit(one.is, session_.style()), figure(one.was, session_.style()));
      if (!out.contains(line)) out << line;
    }
    if (!out.isEmpty()) out.prepend(QObject::tr("What goes in was measured anew:"));
    return out.join(QLatin1Char('\n'));
  }

  QString nothing() const override { return QObject::tr("No part has anything machined on it."); }
  QString allDone() const override { return QObject::tr("Everything is machined."); }

 private:
  std::optional<Length> lastOff(const bench::Tried& slot) const {
    const auto state = session_.store().state();
    if (!state) return std::nullopt;
    return bench::lastOff(bench::readTried(state->testCuts), slot.tool, slot.width);
  }

  const Session& session_;
  bench::Machinings of_;
};

}  // namespace

std::unique_ptr<BenchPage> machiningLeaf(const Session& session,
                                         std::vector<bench::Pieces> pieces) {
  return std::make_unique<MachiningPage>(session, std::move(pieces));
}

}  // namespace pp

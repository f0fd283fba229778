// A leaf of the Bench: what is worked off there, group by group, and how its steps are said and
// drawn.
#pragma once

#include <QKeySequence>
#include <QPainter>
#include <QStringList>
#include <functional>
#include <memory>
#include <vector>

#include "app/session/session.h"
#include "core/coating/samples.h"
#include "core/floor/worklist.h"
#include "core/machining/tried.h"

namespace pp {

// What is read from two metres.
struct StepWords {
  QString with;    // the tool, the roll
  QString figure;  // what is set or cut off
  QString figureInOtherUnit;
  QString what;        // is done
  QString how;         // the piece lies
  QString first;       // what is tried before; empty: nothing
  QString piece = {};  // what is put in where that is more than the piece that is ticked
  QString caution;
};

// What the maker has otherwise at a step: an edit of the job, by its key and on a button.
struct Change {
  QString says;  // on the button
  QString name;  // that it is found by
  QKeySequence key;
  QString what;  // it does, for undo
  std::function<void(Job&)> make;
};

// A size that is read off the work when a step comes to it.
struct ReadOffWork {
  QString question;
  std::function<bool(Job&, Length)> take;
};

class BenchPage {
 public:
  virtual ~BenchPage() = default;
  virtual const bench::Worklist& list() const = 0;
  // "9 settings"
  virtual QString countWords() const = 0;
  // A group, in two lines beside how far it is.
  virtual QString groupHead(std::size_t group) const = 0;
  virtual QString groupFoot(std::size_t group) const = 0;
  virtual StepWords words(const bench::Worklist::Step& step) const = 0;
  virtual void paint(QPainter& painter, const QRectF& room,
                     const bench::Worklist::Step& step) const = 0;
  // Where there is nothing to do at all.
  virtual QString nothing() const = 0;
  virtual QString allDone() const = 0;
  // The slot that is tried before the step; none: nothing is.
  virtual std::optional<bench::Tried> trial(const bench::Worklist::Step&) const {
    return std::nullopt;
  }
  // The sample that is made before the step; none: none is.
  virtual std::optional<bench::Sample> sample(const bench::Worklist::Step&) const {
    return std::nullopt;
  }
  virtual std::vector<Change> changes(const bench::Worklist::Step&) const { return {}; }
  virtual std::optional<ReadOffWork> reading(const bench::Worklist::Step&) const {
    return std::nullopt;
  }
  // The steps of a group, a line each, where the maker may have them in another order.
  virtual QStringList stepsOf(std::size_t) const { return {}; }
  // A step in the place of another of its group.
  virtual std::optional<Change> moved(std::size_t, std::size_t, std::size_t) const {
    return std::nullopt;
  }
  // Of all of it, under the list; empty: nothing.
  virtual QString remark() const { return {}; }
};

// How a leaf is called, and how it is made for the pieces there are.
struct LeafKind {
  QString choice;  // on its button
  QString progress;
  std::unique_ptr<BenchPage> (*make)(const Session& session, std::vector<bench::Pieces> pieces);
  // Of what is done to a piece by itself, rather than to several together.
  bool isOfPieces = true;
};
// In the order of the work.
std::vector<LeafKind> leafKinds();

// The figure in the unit of the job and the other one, left empty where it says the same.
template <class Say>
std::pair<QString, QString> inBothUnits(const LengthStyle& style, Say say) {
  LengthStyle other = style;
  other.unit = style.unit == Unit::Inch ? Unit::Millimetre : Unit::Inch;
  const QString here = say(style), there = say(other);
  return {here, here == there ? QString() : there};
}

Tone toneOf(const Job& job, const Part& part);

std::unique_ptr<BenchPage> installingLeaf(const Session& session,
                                          std::vector<bench::Pieces> pieces);
std::unique_ptr<BenchPage> machiningLeaf(const Session& session, std::vector<bench::Pieces> pieces);
std::unique_ptr<BenchPage> bandingLeaf(const Session& session, std::vector<bench::Pieces> pieces);
std::unique_ptr<BenchPage> assemblyLeaf(const Session& session, std::vector<bench::Pieces> pieces);
std::unique_ptr<BenchPage> finishingLeaf(const Session& session, std::vector<bench::Pieces> pieces);

}  // namespace pp

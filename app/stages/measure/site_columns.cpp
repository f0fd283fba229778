#include "app/stages/measure/site_columns.h"

#include <QObject>

#include "app/grid/cells.h"
#include "core/breakdown/fit.h"
#include "core/job/ids.h"
#include "core/length/parse.h"
#include "core/site/begin.h"
#include "core/site/words.h"
#include "words/figures.h"
#include "words/tr.h"

namespace pp {
namespace {

// Below 0 is typed with a minus before it: further left, lower on the right.
Result<Length> signedLength(const QString& text, Unit unit) {
  if (!text.startsWith(QLatin1Char('-'))) return parseExpression(text.toStdString(), unit);
  auto out = parseExpression(text.mid(1).trimmed().toStdString(), unit);
  if (!out) return out;
  return -out.value();
}

GridColumn readingColumn(const QString& title, std::optional<Length> SizeRead::*which) {
  const auto read = [which](const Job& job, std::size_t row) {
    return job.site.sizes[row].read.*which;
  };
  GridColumn out = optionalLengthColumn(
      title, QString(), [which](Job& job, std::size_t row) -> std::optional<Length>& {
        return job.site.sizes[row].read.*which;
      });
  out.set = [which](Job& job, std::size_t row, const QString& text) -> Problems {
    std::optional<Length>& value = job.site.sizes[row].read.*which;
    if (text.isEmpty()) {
      value.reset();
      return {};
    }
    const auto length = signedLength(text, job.unit);
    if (!length) return length.problems();
    value = length.value();
    return {};
  };
  if (which != &SizeRead::first) return out;
  const auto covered = [read](const Job& job, std::size_t row) {
    return read(job, row) && !job.site.sizes[row].read.second;
  };
  out.shown = [covered, shown = out.shown](const Job& job, std::size_t row) {
    return covered(job, row) ? tr("covered") : shown(job, row);
  };
  out.tip = [covered, tip = out.tip](const Job& job, std::size_t row) {
    return covered(job, row) ? tr("Covered until the second reading is typed, so that it is read "
                                  "anew. F2 uncovers it.")
                             : tip(job, row);
  };
  return out;
}

// What counts of the readings, or what is still to be done.
QString verdict(const Job& job, std::size_t row) {
  const SiteSize& size = job.site.sizes[row];
  if (!isOf(job.site.kind, size)) return tr("not of this place");
  const Judged judged = judge(size.read, useOf(size.kind), job.unit);
  const LengthStyle style = styleOf(job);
  if (!judged.size) return tr("to be read");
  if (judged.wantsThird && size.read.third) return tr("read once more: none agree");
  if (judged.wantsThird)
    return tr("read a third time: %1")
        .arg(qs(slipWords(judged.slip, *size.read.first, *size.read.second, style)));
  if (!judged.confirmed) return tr("once: read it again");
  return tr("%1 counts").arg(figureWithUnit(*judged.size, style));
}

GridColumn wallColumn(std::function<WallAt&(Job&, std::size_t)> get) {
  return enumColumn<WallAt>(tr("Wall"), std::move(get));
}

GridColumn gateLength(const QString& title, Length Gate::*member) {
  GridColumn out = lengthColumn(
      title, [member](Job& job, std::size_t row) -> Length& { return job.route[row].*member; });
  out.shown = [member, shown = out.shown](const Job& job, std::size_t row) {
    return job.route[row].*member == Length{} ? QString() : shown(job, row);
  };
  return out;
}

QString standingCode(const Job& job, std::size_t row) {
  const Assembly* one = findAssembly(job, job.site.stands[row].assembly);
  return one == nullptr ? QString() : qs(one->code);
}

}  // namespace

std::vector<GridColumn> sizeColumns() {
  GridColumn what;
  what.title = tr("Size");
  what.shown = [](const Job& job, std::size_t row) { return qs(sizeName(job.site.sizes[row])); };
  what.typed = what.shown;
  GridColumn counts;
  counts.title = tr("What counts");
  counts.shown = verdict;
  counts.typed = verdict;
  counts.tip = verdict;
  GridColumn at = lengthColumn(
      tr("At"), [](Job& job, std::size_t row) -> Length& { return job.site.sizes[row].at; });
  at.shown = [shown = at.shown](const Job& job, std::size_t row) {
    return job.site.sizes[row].at == Length{} ? QString() : shown(job, row);
  };
  return {what,
          at,
          readingColumn(tr("First"), &SizeRead::first),
          readingColumn(tr("Second"), &SizeRead::second),
          readingColumn(tr("Third"), &SizeRead::third),
          counts};
}

std::vector<GridColumn> wallColumns() {
  const auto length = [](const QString& title, Length SiteWall::*member) {
    return lengthColumn(title, [member](Job& job, std::size_t row) -> Length& {
      return job.site.walls[row].*member;
    });
  };
  GridColumn wall;
  wall.title = tr("Wall");
  wall.shown = [](const Job& job, std::size_t row) { return said(job.site.walls[row].at); };
  wall.typed = wall.shown;
  return {wall,
          optionalLengthColumn(tr("Kept clear"), tr("usual"),
                               [](Job& job, std::size_t row) -> std::optional<Length>& {
                                 return job.site.walls[row].allowance;
                               }),
          length(tr("Moulding, thick"), &SiteWall::mouldingThickness),
          length(tr("and high"), &SiteWall::mouldingHeight),
          textColumn(
              tr("Made of"),
              [](Job& job, std::size_t row) -> std::string& { return job.site.walls[row].madeOf; }),
          length(tr("First stud"), &SiteWall::firstStud),
          length(tr("then every"), &SiteWall::studPitch)};
}

std::vector<GridColumn> obstacleColumns() {
  const auto length = [](const QString& title, Length Obstacle::*member) {
    return lengthColumn(title, [member](Job& job, std::size_t row) -> Length& {
      return job.site.obstacles[row].*member;
    });
  };
  const QStringList places = said<WallAt>() + QStringList{tr("floor")};
  return {enumColumn<ObstacleKind>(tr("What"),
                                   [](Job& job, std::size_t row) -> ObstacleKind& {
                                     return job.site.obstacles[row].kind;
                                   }),
          textColumn(tr("Name"),
                     [](Job& job, std::size_t row) -> std::string& {
                       return job.site.obstacles[row].name;
                     }),
          choiceColumn(
              tr("On"), places,
              [](const Job& job, std::size_t row) {
                const auto& wall = job.site.obstacles[row].wall;
                return wall ? static_cast<int>(*wall) : static_cast<int>(said<WallAt>().size());
              },
              [](Job& job, std::size_t row, int i) {
                auto& wall = job.site.obstacles[row].wall;
                if (i < said<WallAt>().size())
                  wall = static_cast<WallAt>(i);
                else
                  wall.reset();
              }),
          length(tr("From the left"), &Obstacle::along),
          length(tr("Up"), &Obstacle::up),
          length(tr("Width"), &Obstacle::width),
          length(tr("Height"), &Obstacle::height),
          length(tr("Out"), &Obstacle::out)};
}

std::vector<GridColumn> standColumns() {
  GridColumn assembly;
  assembly.title = tr("Assembly");
  assembly.shown = standingCode;
  assembly.typed = standingCode;
  assembly.choices = [](const Job& job) {
    QStringList out;
    for (const Assembly& one : job.assemblies) out << qs(one.code);
    return out;
  };
  assembly.set = [](Job& job, std::size_t row, const QString& text) -> Problems {
    const Assembly* one = findAssembly(job, text.toStdString());
    if (one == nullptr)
      return {{{}, 0, {}, "'" + text.toStdString() + "'", "the code of an assembly"}};
    job.site.stands[row].assembly = one->id;
    return {};
  };
  const auto length = [](const QString& title, Length SiteStand::*member) {
    return lengthColumn(title, [member](Job& job, std::size_t row) -> Length& {
      return job.site.stands[row].*member;
    });
  };
  GridColumn built;
  built.title = tr("Built as wide as");
  built.shown = [](const Job& job, std::size_t row) {
    const auto left = widthLeftTo(job, job.site.stands[row]);
    if (!left) return job.site.stands[row].fills ? tr("no width read yet") : QString();
    const LengthStyle style = styleOf(job);
    const QString words = tr("%1; fillers cover up to %2")
                              .arg(figureWithUnit(left->width.built, style),
                                   figureWithUnit(left->width.cover, style));
    return left->confirmed ? words : tr("%1, not confirmed").arg(words);
  };
  built.typed = built.shown;
  built.tip = built.shown;
  return {
      assembly,
      wallColumn([](Job& job, std::size_t row) -> WallAt& { return job.site.stands[row].wall; }),
      length(tr("From the left"), &SiteStand::along),
      length(tr("Up"), &SiteStand::up),
      choiceColumn(
          tr("Fills the wall"), {tr("no"), tr("yes")},
          [](const Job& job, std::size_t row) { return job.site.stands[row].fills ? 1 : 0; },
          [](Job& job, std::size_t row, int i) { job.site.stands[row].fills = i == 1; }),
      built};
}

std::vector<GridColumn> gateColumns() {
  GridColumn pitch;
  pitch.title = tr("Pitch°");
  pitch.number = true;
  pitch.shown = [](const Job& job, std::size_t row) {
    const auto millis = job.route[row].pitch.inMillidegrees();
    return millis == 0 ? QString() : QString::number(static_cast<double>(millis) / 1000.0);
  };
  pitch.typed = pitch.shown;
  pitch.set = [](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto degrees = parseCount(text.toStdString(), 0, 60);
    if (!degrees) return degrees.problems();
    job.route[row].pitch = Angle::degrees(*degrees);
    return {};
  };
  GridColumn each;
  each.title = tr("kg each");
  each.number = true;
  each.shown = [](const Job& job, std::size_t row) {
    const std::int64_t grams = job.route[row].grams;
    return grams == 0 ? QString() : QString::number(grams / 1'000);
  };
  each.typed = each.shown;
  each.set = [](Job& job, std::size_t row, const QString& text) -> Problems {
    const auto kilograms = parseCount(text.toStdString(), 0, 1'000);
    if (!kilograms) return kilograms.problems();
    job.route[row].grams = *kilograms * 1'000;
    return {};
  };
  const auto count = [](const QString& title, std::int64_t most, std::int64_t Gate::*member) {
    GridColumn out = countColumn(
        title, 0, most,
        [member](Job& job, std::size_t row) -> std::int64_t& { return job.route[row].*member; });
    out.shown = [member](const Job& job, std::size_t row) {
      const std::int64_t n = job.route[row].*member;
      return n == 0 ? QString() : QString::number(n);
    };
    return out;
  };
  return {choiceColumn(
              tr("Gate"), said<GateKind>(),
              [](const Job& job, std::size_t row) { return static_cast<int>(job.route[row].kind); },
              [](Job& job, std::size_t row, int i) {
                setKind(job.route[row], static_cast<GateKind>(i));
              }),
          textColumn(tr("Name"),
                     [](Job& job, std::size_t row) -> std::string& { return job.route[row].name; }),
          gateLength(tr("Width"), &Gate::width),
          gateLength(tr("Height"), &Gate::height),
          gateLength(tr("Depth"), &Gate::depth),
          gateLength(tr("Into"), &Gate::into),
          count(tr("Turns"), 20, &Gate::turns),
          pitch,
          count(tr("People"), 100, &Gate::people),
          each};
}

}  // namespace pp

// The printed PDFs read back: QR codes by zbar, words by poppler.
#include <gtest/gtest.h>

#include <QDir>
#include <QPageSize>
#include <QPdfWriter>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <algorithm>
#include <set>

#include "core/assembly/order.h"
#include "core/breakdown/breakdown.h"
#include "core/breakdown/fittings.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/nest/nest.h"
#include "core/parts/cut_line.h"
#include "core/saw/bar_cuts.h"
#include "core/saw/playback.h"
#include "pictures/paint/cut_picture.h"
#include "pictures/paper/print.h"
#include "tests/core/support.h"
#include "words/figures.h"

namespace pp::print_test {
namespace {

QString outputOf(const QString& program, const QStringList& arguments) {
  QProcess process;
  process.start(program, arguments);
  EXPECT_TRUE(process.waitForFinished(120'000)) << program.toStdString();
  return QString::fromUtf8(process.readAllStandardOutput());
}

struct Printed {
  QTemporaryDir folder;
  Job job;
  std::vector<Part> parts;
  NestRequest request;
  Plan plan;
  explicit Printed(const std::string& name) {
    const std::string path = std::string(DEMO_DIR) + "/" + name + ".plainpatch";
    job = readJob(path, readFile(path).value()).value();
    parts = breakDown(job).parts;
    request = requestOf(job, parts);
    nest::NestOptions options;
    options.steps = 300;
    plan = nest::nest(request, options);
  }
  PrintInput input() const { return {job, parts, &request, &plan}; }
  QString path(const QString& name) const { return folder.filePath(name); }
  QString words(const QString& name) const {
    return outputOf(QStringLiteral("pdftotext"),
                    {QStringLiteral("-layout"), path(name), QStringLiteral("-")});
  }
};

TEST(Print, everyLabelsQrCodeReadsBack) {
  const Printed printed("ringing-trolley");
  ASSERT_FALSE(
      printPages(Pages::Labels, printed.input(), Paper::A4, printed.path(QStringLiteral("l.pdf")))
          .has_value());
  outputOf(QStringLiteral("pdftoppm"),
           {QStringLiteral("-r"), QStringLiteral("200"), QStringLiteral("-gray"),
            printed.path(QStringLiteral("l.pdf")), printed.path(QStringLiteral("page"))});
  std::set<QString> seen;
  for (const QString& page : QDir(printed.folder.path()).entryList({QStringLiteral("page*")}))
    for (const QString& code :
         outputOf(QStringLiteral("zbarimg"),
                  {QStringLiteral("-q"), QStringLiteral("--raw"), printed.path(page)})
             .split(QLatin1Char('\n'), Qt::SkipEmptyParts))
      seen.insert(code);
  std::set<QString> expected;
  for (const Part& part : printed.parts)
    for (std::int64_t copy = 1; copy <= part.quantity; ++copy)
      expected.insert(labelCode(printed.job, part, copy));
  EXPECT_EQ(expected.size(), 29U);
  EXPECT_EQ(seen, expected);
}

TEST(Print, labelsCarryWhatTheMakerNeeds) {
  const Printed printed("ringing-trolley");
  ASSERT_FALSE(
      printPages(Pages::Labels, printed.input(), Paper::A4, printed.path(QStringLiteral("l.pdf")))
          .has_value());
  const QString words = printed.words(QStringLiteral("l.pdf"));
  for (const char* word :
       {"T1-01", "left side, left hand", "right side, right hand", "ringing trolley", "28 × 20 in",
        "birch edging: front", "birch iron-on: all round", "front", "top", "inside face",
        "show face", "2 of 2"})
    EXPECT_TRUE(words.contains(QString::fromUtf8(word))) << word << "\n" << words.toStdString();
}

TEST(Print, aPadsLabelSaysItsSideLayersAndThickness) {
  const Printed printed("log-wall");
  ASSERT_FALSE(
      printPages(Pages::Labels, printed.input(), Paper::A4, printed.path(QStringLiteral("l.pdf")))
          .has_value());
  const QString words = printed.words(QStringLiteral("l.pdf"));
  int pads = 0;
  for (const Part& part : printed.parts) {
    if (part.role != PartRole::SlidePad && part.role != PartRole::RightSlidePad) continue;
    ++pads;
    for (const QString& line : qs(part.note).split(QStringLiteral("; ")))
      EXPECT_TRUE(words.contains(line)) << line.toStdString();
  }
  EXPECT_GT(pads, 1);
}

TEST(Print, theGridOfTheLabelSheetIsTheUsers) {
  Printed printed("ringing-trolley");
  const auto pages = [&](int columns, int rows, bool letter) {
    printed.job.labels.columns = columns;
    printed.job.labels.rows = rows;
    printed.job.labels.letter = letter;
    EXPECT_FALSE(
        printPages(Pages::Labels, printed.input(), Paper::A4, printed.path(QStringLiteral("g.pdf")))
            .has_value());
    return outputOf(QStringLiteral("pdfinfo"), {printed.path(QStringLiteral("g.pdf"))});
  };
  EXPECT_TRUE(
      pages(2, 5, true).contains(QStringLiteral("Pages:           3")));  // 29 labels, 10 a page
  EXPECT_TRUE(pages(2, 5, true).contains(QStringLiteral("612 x 792")));
  EXPECT_TRUE(pages(3, 8, false).contains(QStringLiteral("Pages:           2")));
  EXPECT_TRUE(pages(3, 8, false).contains(QStringLiteral("(A4)")));
  printed.job.labels.columns = 9;
  EXPECT_TRUE(
      printPages(Pages::Labels, printed.input(), Paper::A4, printed.path(QStringLiteral("g.pdf")))
          .has_value());
}

TEST(Print, partsListNamesEveryPartInBothPapers) {
  const Printed printed("log-wall");
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    ASSERT_FALSE(
        printPages(Pages::PartsList, printed.input(), paper, printed.path(QStringLiteral("p.pdf")))
            .has_value());
    const QString words = printed.words(QStringLiteral("p.pdf"));
    for (const Part& part : printed.parts)
      EXPECT_TRUE(words.contains(QString::fromStdString(part.code))) << part.code;
    EXPECT_TRUE(words.contains(QStringLiteral("chart drawers")));
    EXPECT_TRUE(words.contains(QStringLiteral("750")));
    EXPECT_TRUE(words.contains(QStringLiteral("Bars of ash, planed")));
    EXPECT_TRUE(words.contains(QStringLiteral("it cannot be done for less")));
    for (const BoughtIn& one : printed.job.bought)
      EXPECT_TRUE(words.contains(QString::fromStdString(one.name))) << one.name;
  }
}

TEST(Print, sheetDrawingsAndCuttingListShowThePlan) {
  const Printed printed("ringing-trolley");
  ASSERT_FALSE(
      printPages(Pages::Sheets, printed.input(), Paper::A4, printed.path(QStringLiteral("s.pdf")))
          .has_value());
  const QString sheets = printed.words(QStringLiteral("s.pdf"));
  for (const Part& part : printed.parts)
    EXPECT_TRUE(sheets.contains(QString::fromStdString(part.code))) << part.code;
  ASSERT_FALSE(printPages(Pages::CuttingList, printed.input(), Paper::Letter,
                          printed.path(QStringLiteral("c.pdf")))
                   .has_value());
  const QString cuts = printed.words(QStringLiteral("c.pdf"));
  for (const Part& part : printed.parts)
    EXPECT_TRUE(cuts.contains(QString::fromStdString(part.code)))
        << part.code << cuts.toStdString();
  EXPECT_TRUE(cuts.contains(QStringLiteral("push block")));
  PrintInput without = printed.input();
  without.plan = nullptr;
  EXPECT_TRUE(printPages(Pages::Sheets, without, Paper::A4, printed.path(QStringLiteral("n.pdf")))
                  .has_value());
  EXPECT_TRUE(printPages(Pages::CuttingList, printed.input(), Paper::A4,
                         QStringLiteral("/no/such/folder/c.pdf"))
                  .has_value());
}

// Every line of text of some pages, as it came to lie.
std::vector<TextLaid> laidOut(Pages pages, const PrintInput& input, Paper paper,
                              const QString& path) {
  QPdfWriter writer(path);
  setPaper(writer, pages, paper, input.job);
  constexpr int kDpi = 300;
  writer.setResolution(kDpi);
  std::vector<TextLaid> out;
  EXPECT_FALSE(drawPages(pages, input, writer, kDpi, {}, &out).has_value());
  return out;
}

QSizeF sizeOf(Pages pages, Paper paper, const Job& job) {
  if (pages == Pages::Labels) paper = job.labels.letter ? Paper::Letter : Paper::A4;
  const QSizeF size = QPageSize::size(paper == Paper::A4 ? QPageSize::A4 : QPageSize::Letter,
                                      QPageSize::Millimeter);
  return pages == Pages::PartsList || pages == Pages::Sheets ? size.transposed() : size;
}

bool anyMachined(const std::vector<Part>& parts) {
  return std::any_of(parts.begin(), parts.end(),
                     [](const Part& part) { return !part.machining.empty(); });
}

bool anyBanded(const std::vector<Part>& parts) {
  return std::any_of(parts.begin(), parts.end(), [](const Part& part) {
    return std::any_of(kEdges.begin(), kEdges.end(),
                       [&](Edge edge) { return !part.band(edge).empty(); });
  });
}

bool anyShaped(const std::vector<Part>& parts) {
  return std::any_of(parts.begin(), parts.end(), [](const Part& part) {
    return std::any_of(part.machining.begin(), part.machining.end(),
                       [&](const Machining& cut) { return !cutLines(cut, part, 0).empty(); });
  });
}

std::vector<bench::UnitOrder> orderOf(const Printed& printed) {
  return bench::assemblyOrder(bench::piecesAtBench({}, {}, printed.parts), printed.job);
}

TEST(Print, everyLineOfEveryPageCanBeReadAndCoversNoOther) {
  for (const char* name : test::kDemos) {
    const Printed printed(name);
    const std::vector<Part> cut = sheetParts(printed.parts);
    for (const Paper paper : {Paper::A4, Paper::Letter})
      for (const Pages pages : {Pages::PartsList, Pages::Sheets, Pages::CuttingList, Pages::Labels,
                                Pages::Machining, Pages::Banding, Pages::Finishing, Pages::Assembly,
                                Pages::Installing, Pages::Templates, Pages::MeasuringSheet}) {
        if (pages == Pages::Machining && !anyMachined(printed.parts)) continue;
        if (pages == Pages::Banding && !anyBanded(printed.parts)) continue;
        if (pages == Pages::Finishing && finishAreas(printed.job, printed.parts).empty()) continue;
        if ((pages == Pages::Assembly || pages == Pages::Installing) && orderOf(printed).empty())
          continue;
        if (pages == Pages::Templates && !anyShaped(printed.parts)) continue;
        if (pages == Pages::MeasuringSheet && wallsOf(printed.job.site.kind).empty()) continue;
        const bool sheets = pages == Pages::Sheets || pages == Pages::CuttingList;
        const PrintInput input{printed.job, sheets ? cut : printed.parts, &printed.request,
                               &printed.plan};
        const std::vector<TextLaid> laid =
            laidOut(pages, input, paper, printed.path(QStringLiteral("x.pdf")));
        ASSERT_FALSE(laid.empty()) << name;
        const QRectF sheet({0, 0}, sizeOf(pages, paper, printed.job));
        const auto where = [&](const TextLaid& text) {
          return std::string(name) + ", kind " + std::to_string(static_cast<int>(pages)) +
                 ", page " + std::to_string(text.page) + ": " + text.text.toStdString();
        };
        for (const TextLaid& text : laid) {
          EXPECT_FALSE(text.cut) << where(text);
          EXPECT_GE(text.points, 7) << where(text);
          EXPECT_TRUE(sheet.contains(text.ink)) << where(text);
          EXPECT_TRUE(text.box.adjusted(-0.2, -0.2, 0.2, 0.2).contains(text.ink)) << where(text);
        }
        for (std::size_t a = 0; a < laid.size(); ++a)
          for (std::size_t b = a + 1; b < laid.size() && laid[b].page == laid[a].page; ++b)
            EXPECT_FALSE(laid[a].ink.adjusted(0.1, 0.1, -0.1, -0.1).intersects(laid[b].ink))
                << where(laid[a]) << " / " << where(laid[b]);
      }
  }
}

TEST(Print, theMeasuringSheetIsEmptyThenFilled) {
  const Printed printed("log-wall");
  const auto laid = laidOut(Pages::MeasuringSheet, printed.input(), Paper::A4,
                            printed.path(QStringLiteral("m.pdf")));
  const auto lines = [&laid](int page, const QString& words) {
    return std::count_if(laid.begin(), laid.end(), [&](const TextLaid& one) {
      return one.page == page && one.text.contains(words);
    });
  };
  // Every size twice on the first page, above and below the fold, and none of what was read.
  EXPECT_EQ(lines(1, QStringLiteral("width, 1000 up")), 2);
  EXPECT_EQ(lines(1, QStringLiteral("diagonal from the left corner")), 2);
  EXPECT_EQ(lines(1, QStringLiteral("fold here")), 1);
  EXPECT_EQ(lines(1, QStringLiteral("On which wall")), 1);
  EXPECT_EQ(lines(1, QStringLiteral("2940")), 0);
  // Three widths read twice, one of them 2941, and each counting as 2940.
  EXPECT_EQ(lines(2, QStringLiteral("2940")), 7);
  EXPECT_EQ(lines(2, QStringLiteral("2941")), 2);
  EXPECT_EQ(lines(2, QStringLiteral("on the wall behind")), 1);
  // Nothing to measure: said, not printed.
  const Printed free("nest-boxes");
  const auto problem = printPages(Pages::MeasuringSheet, free.input(), Paper::A4,
                                  free.path(QStringLiteral("n.pdf")));
  ASSERT_TRUE(problem);
  EXPECT_EQ(problem->found, "no place that has walls");
}

TEST(Print, labelsBeginAtTheFirstFieldThatIsFree) {
  const Printed printed("porthole");  // sixteen labels
  const LabelSheet& grid = printed.job.labels;
  PrintInput input = printed.input();
  const auto first = [&] {
    for (const TextLaid& text :
         laidOut(Pages::Labels, input, Paper::A4, printed.path(QStringLiteral("l.pdf"))))
      if (text.text.startsWith(QStringLiteral("P1-01"))) return text;
    return TextLaid{};
  };
  const TextLaid whole = first();
  input.usedLabels = grid.columns + 1;  // a row and one
  const TextLaid used = first();
  const double down = (297 - 2 * grid.marginTop.inMm()) / grid.rows;
  const double across = (210 - 2 * grid.marginLeft.inMm() + grid.gapAcross.inMm()) / grid.columns;
  ASSERT_FALSE(grid.letter);
  EXPECT_NEAR(used.box.x() - whole.box.x(), across, 0.1);
  EXPECT_NEAR(used.box.y() - whole.box.y(), down, 0.1);
  const int fields = grid.columns * grid.rows;
  input.usedLabels = fields - 3;
  const auto all = laidOut(Pages::Labels, input, Paper::A4, printed.path(QStringLiteral("l.pdf")));
  EXPECT_EQ(all.back().page, 1 + (16 - 3 + fields - 1) / fields) << "three go on the first sheet";
  input.usedLabels = fields;
  EXPECT_TRUE(printPages(Pages::Labels, input, Paper::A4, printed.path(QStringLiteral("n.pdf")))
                  .has_value());
}

TEST(Print, theCuttingListSaysWhatComesOffAndWhereTheRestGoes) {
  const Printed printed("ringing-trolley");
  const std::vector<Part> cut = sheetParts(printed.parts);
  const PrintInput input{printed.job, cut, &printed.request, &printed.plan};
  ASSERT_FALSE(
      printPages(Pages::CuttingList, input, Paper::A4, printed.path(QStringLiteral("c.pdf")))
          .has_value());
  const QString words = printed.words(QStringLiteral("c.pdf"));
  const auto made = saw::madeCuts(printed.request, printed.plan);
  ASSERT_TRUE(made);
  for (const SawCut& one : printed.plan.cuts) {
    const LengthStyle style = styleOf(printed.job);
    EXPECT_TRUE(
        words.contains(readWords(one, made->at(static_cast<std::size_t>(one.step) - 1), style)))
        << one.step;
    for (const auto& piece : {one.low, one.high}) {
      if (!piece) continue;
      const auto next = std::find_if(printed.plan.cuts.begin(), printed.plan.cuts.end(),
                                     [&](const SawCut& other) { return other.piece == *piece; });
      if (next == printed.plan.cuts.end()) continue;
      EXPECT_TRUE(words.contains(QStringLiteral("%1, cut %2").arg(qs(*piece)).arg(next->step)))
          << *piece;
    }
  }
  for (const Part& part : cut) EXPECT_TRUE(words.contains(qs(part.code))) << part.code;
}

// After the cuts of sheets, numbered on: every length of every bar with its stop.
TEST(Print, theCuttingListHasTheCutsOfBars) {
  const Printed printed("log-wall");
  const std::vector<Part> cut = sheetParts(printed.parts);
  const PrintInput input{printed.job, cut, &printed.request, &printed.plan};
  const auto laid =
      laidOut(Pages::CuttingList, input, Paper::A4, printed.path(QStringLiteral("c.pdf")));
  QStringList lines;
  for (const TextLaid& one : laid) lines << one.text;
  const auto bars = saw::barCuts(CuttingPlan{{}, {}, printed.request, printed.plan});
  ASSERT_FALSE(bars.empty());
  const LengthStyle style = styleOf(printed.job);
  for (std::size_t i = 0; i < bars.size(); ++i) {
    const std::size_t number = printed.plan.cuts.size() + i + 1;
    EXPECT_EQ(lines.count(QString::number(number)), 1) << number;
    EXPECT_TRUE(lines.contains(figureWithUnit(bars[i].cut.distance, style)));
    if (!bars[i].piece) continue;
    EXPECT_GT(lines
                  .filter(QRegularExpression(
                      QStringLiteral("^%1( no\\. \\d+)?$").arg(qs(bars[i].piece->code))))
                  .size(),
              0)
        << bars[i].piece->code;
  }
}

// Each setting with every part that needs it, a box a piece.
TEST(Print, theMachiningListHasEveryPieceAtEverySetting) {
  const Printed printed("ringing-trolley");
  const auto laid =
      laidOut(Pages::Machining, printed.input(), Paper::A4, printed.path(QStringLiteral("m.pdf")));
  QStringList lines;
  for (const TextLaid& one : laid) lines << one.text;
  for (int i = 1; i <= 8; ++i)
    EXPECT_TRUE(lines.contains(QStringLiteral("setting %1 of 8").arg(i))) << i;
  // T1-08 has a groove and a dado, T1-01 five of them at four settings.
  EXPECT_EQ(lines.filter(QStringLiteral("T1-08   ")).size(), 2);
  EXPECT_EQ(lines.filter(QStringLiteral("T1-01   ")).size(), 5);
  EXPECT_EQ(lines.filter(QStringLiteral("T1-05   ")).size(), 1)
      << "nothing is machined on it; brads of the back sit in its edge";
  EXPECT_TRUE(lines.contains(
      QStringLiteral("test first: on scrap, with the drawer left side that goes in")));
}

// Each edge once, with the strip as it is cut; a box a piece.
TEST(Print, theBandingListHasEveryEdgeOfEveryPart) {
  const Printed printed("log-wall");
  std::ptrdiff_t edges = 0;
  for (const Part& part : printed.parts)
    edges += std::count_if(kEdges.begin(), kEdges.end(),
                           [&](Edge edge) { return !part.band(edge).empty(); });
  ASSERT_GT(edges, 10);
  QStringList lines;
  for (const TextLaid& one :
       laidOut(Pages::Banding, printed.input(), Paper::A4, printed.path(QStringLiteral("b.pdf"))))
    lines << one.text;
  EXPECT_EQ(lines.filter(QRegularExpression(QStringLiteral(" edge, .* long$"))).size(), edges);
  EXPECT_FALSE(lines.filter(QStringLiteral(" roll")).isEmpty());
}

// Each step in its order, by number; what goes in whole is said to be put together.
TEST(Print, theAssemblyListHasEveryStep) {
  const Printed printed("ringing-trolley");
  std::size_t steps = 0;
  for (const bench::UnitOrder& unit : orderOf(printed)) steps += unit.steps.size();
  ASSERT_GT(steps, 15U);
  QStringList lines;
  for (const TextLaid& one :
       laidOut(Pages::Assembly, printed.input(), Paper::A4, printed.path(QStringLiteral("a.pdf"))))
    lines << one.text;
  EXPECT_EQ(lines.filter(QRegularExpression(QStringLiteral("^\\d+\\. "))).size(),
            static_cast<qsizetype>(steps));
  EXPECT_TRUE(lines.contains(QStringLiteral("T1, drawer, 2 alike")));
  EXPECT_FALSE(lines.filter(QStringLiteral("drawer, put together")).isEmpty());
  // The case is 30 by 28 inches: its diagonal is 41.04.
  EXPECT_FALSE(lines.filter(QRegularExpression(QStringLiteral("both diagonals .?41"))).isEmpty());
}

// A hollow 700 long lies on pages side by side; each says which it is, the first has a square.
TEST(Print, aTemplateLiesFullSizeOnAsManyPagesAsItTakes) {
  Printed printed("specimen-trays");
  Part part = printed.parts.front();
  part.length = Reason("length", Length::mm(900));
  part.width = Reason("width", Length::mm(300));
  Machining hollow;
  hollow.cut = MachiningKind::Arc;
  hollow.from = Edge::L1;
  hollow.u0 = Length::mm(100);
  hollow.u1 = Length::mm(800);
  hollow.depth = Length::mm(60);
  part.machining = {hollow};
  printed.parts = {part};
  const auto laid =
      laidOut(Pages::Templates, printed.input(), Paper::A4, printed.path(QStringLiteral("t.pdf")));
  QStringList lines;
  int pages = 0;
  for (const TextLaid& one : laid) {
    lines << one.text;
    pages = std::max(pages, one.page);
  }
  // 820 wide with 60 to each side; A4 upright leaves 186 less 12 of overlap: 174 a page, five.
  EXPECT_EQ(pages, 1 + 5);
  EXPECT_FALSE(lines.filter(QStringLiteral("5 pages")).isEmpty());
  for (int i = 1; i <= 5; ++i)
    EXPECT_EQ(lines.filter(QStringLiteral("A%1 of A5").arg(i)).size(), 1) << i;
  EXPECT_TRUE(lines.contains(figureWithUnit(Length::mm(100), styleOf(printed.job))));
  EXPECT_FALSE(lines.filter(QStringLiteral("not fitted to the page")).isEmpty());
}

// A label by itself says what one on a sheet does; its code reads back from the picture.
TEST(Print, aSingleLabelIsAPageAndAPictureOfTheSame) {
  const Printed printed("ringing-trolley");
  const auto part = std::find_if(printed.parts.begin(), printed.parts.end(),
                                 [](const Part& one) { return one.code == "T1-08"; });
  ASSERT_NE(part, printed.parts.end());
  const SingleLabel label = singleLabel(printed.job, PieceLabel{*part, 7});
  QFile page(printed.path(QStringLiteral("one.pdf")));
  ASSERT_TRUE(page.open(QIODevice::WriteOnly));
  page.write(label.pdf);
  page.close();
  const QString words = printed.words(QStringLiteral("one.pdf"));
  EXPECT_TRUE(words.contains(QStringLiteral("no. 7"))) << words.toStdString();
  EXPECT_TRUE(words.contains(QStringLiteral("next: groove, dado"))) << words.toStdString();
  const QImage picture = QImage::fromData(label.png);
  // 72 by 44 millimetres at 203 dots an inch.
  EXPECT_EQ(picture.size(), QSize(575, 352));
  ASSERT_TRUE(picture.save(printed.path(QStringLiteral("one.png"))));
  EXPECT_EQ(outputOf(QStringLiteral("zbarimg"), {QStringLiteral("-q"), QStringLiteral("--raw"),
                                                 printed.path(QStringLiteral("one.png"))})
                .trimmed(),
            labelCode(printed.job, *part, 7));
  // Of a material that is not in the job any more it is drawn too.
  Part gone = *part;
  gone.material = "gone";
  EXPECT_FALSE(singleLabel(printed.job, PieceLabel{gone, 1}).png.isEmpty());
}

TEST(Print, noMorePagesAreDrawnThanAreWanted) {
  const Printed printed("nest-boxes");
  const auto pages = [&](int most) {
    QPdfWriter writer(printed.path(QStringLiteral("m.pdf")));
    setPaper(writer, Pages::Labels, Paper::A4, printed.job);
    PrintWatch watch;
    watch.mostPages = most;
    std::vector<TextLaid> laid;
    EXPECT_FALSE(drawPages(Pages::Labels, printed.input(), writer, 300, watch, &laid).has_value());
    return laid.back().page;
  };
  EXPECT_GT(pages(0), 4);
  EXPECT_EQ(pages(2), 2);
}

}  // namespace
}  // namespace pp::print_test

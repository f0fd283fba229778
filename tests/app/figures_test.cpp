// Fractions as they are drawn, measured, copied and read back from paper.
#include <gtest/gtest.h>

#include <QGuiApplication>
#include <QImage>
#include <QPdfWriter>
#include <QProcess>
#include <QTemporaryDir>
#include <algorithm>
#include <functional>
#include <set>

#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/new_job.h"

#include "pictures/paint/cut_picture.h"
#include "pictures/paint/job_picture.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"
#include "pictures/paper/page.h"
#include "words/figures.h"

namespace pp::figures_test {
namespace {

using Face = TextRun::Face;

TEST(Fraction, isFoundAmongWords) {
  struct Case {
    const char* text;
    std::vector<TextRun> runs;
  };
  const Case cases[] = {
      {"29 1/16", {{"29", Face::Plain}, {" 1/", Face::Raised}, {"16", Face::Lowered}}},
      {"3/4", {{"3/", Face::Raised}, {"4", Face::Lowered}}},
      {"birch 3/4 in",
       {{"birch ", Face::Plain}, {"3/", Face::Raised}, {"4", Face::Lowered}, {" in", Face::Plain}}},
      {"7 15/32 × 1/2",
       {{"7", Face::Plain},
        {" 15/", Face::Raised},
        {"32", Face::Lowered},
        {" × ", Face::Plain},
        {"1/", Face::Raised},
        {"2", Face::Lowered}}},
      {"28", {{"28", Face::Plain}}},
      {"and/or", {{"and/or", Face::Plain}}},
      {"2026/11/26", {{"2026/11/26", Face::Plain}}},
      {"123/4", {{"123/4", Face::Plain}}},
      {"1/128", {{"1/128", Face::Plain}}},
      {"1.5/16", {{"1.5/16", Face::Plain}}},
      {"", {}}};
  for (const Case& one : cases)
    EXPECT_EQ(textRuns(QString::fromUtf8(one.text)), one.runs) << one.text;
}

// The rows of a picture of one text that have ink, and how dark its columns are.
struct Ink {
  int top = 0, bottom = 0;
  std::vector<int> columns;  // dark pixels

  explicit Ink(const QString& text) {
    QImage image(400, 160, QImage::Format_Grayscale8);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.setFont(look::text(100));
    drawText(painter, QPointF(10, 120), text);
    painter.end();
    top = image.height();
    columns.resize(static_cast<std::size_t>(image.width()));
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) {
        if (qGray(image.pixel(x, y)) > 128) continue;
        top = std::min(top, y);
        bottom = std::max(bottom, y);
        ++columns[static_cast<std::size_t>(x)];
      }
  }
  int height() const { return bottom - top + 1; }
};

TEST(Fraction, hasDigitsOfSeventyPercentAndStandsWithinItsLine) {
  look::loadFonts();
  const Ink whole(QStringLiteral("1"));
  const Ink fraction(QStringLiteral("1/1"));
  // The whole fraction is little higher than a figure, so its two digits, which do not stand above
  // one another, are both within it: the first ends where the second begins to be low.
  EXPECT_LE(fraction.height(), whole.height() * 23 / 20);
  // The upright stroke of the first digit is the longest column before the bar.
  const int stroke = *std::max_element(fraction.columns.begin(), fraction.columns.begin() + 40);
  EXPECT_GE(stroke, whole.height() * 7 / 10);
}

TEST(Fraction, isSetNarrowerThanItsCharacters) {
  look::loadFonts();
  const QFont font = look::text(100);
  const double plain = textWidth(font, QStringLiteral("2")) + textWidth(font, QStringLiteral("9")) +
                       textWidth(font, QStringLiteral(" ")) + textWidth(font, QStringLiteral("1")) +
                       textWidth(font, QStringLiteral("/")) + textWidth(font, QStringLiteral("4"));
  EXPECT_LT(textWidth(font, QStringLiteral("29 1/4")), plain * 4 / 5);
  // A number that is no fraction is set as it is typed.
  EXPECT_NEAR(textWidth(font, QStringLiteral("129/4")),
              3 * textWidth(font, QStringLiteral("0")) + textWidth(font, QStringLiteral("/")) +
                  textWidth(font, QStringLiteral("4")),
              0.5);
  // Both ways of setting it take the same room.
  double runs = 0;
  for (const TextRun& run : textRuns(QStringLiteral("29 11/16")))
    runs += textWidth(faceOf(font, run.face), run.text);
  EXPECT_NEAR(textWidth(font, QStringLiteral("29 11/16")), runs, 0.5);
}

TEST(Fraction, isCopiedFromAPdfAsItIsTyped) {
  look::loadFonts();
  const QTemporaryDir folder;
  const QString path = folder.filePath(QStringLiteral("f.pdf"));
  {
    QPdfWriter writer(path);
    writer.setResolution(100);
    QPainter painter(&writer);
    painter.setFont(look::text(20));
    drawText(painter, QPointF(50, 100), QStringLiteral("29 1/16 × 7 15/32"));
    drawText(painter, QRectF(50, 150, 400, 40), Qt::AlignCenter, QStringLiteral("birch 3/4"));
    painter.setFont(look::text(20, true));
    drawText(painter, QRectF(50, 200, 400, 40), Qt::AlignRight, QStringLiteral("5/8 deep"));
  }
  QProcess process;
  process.start(QStringLiteral("pdftotext"), {path, QStringLiteral("-")});
  ASSERT_TRUE(process.waitForFinished());
  const QString words = QString::fromUtf8(process.readAllStandardOutput());
  for (const char* text : {"29 1/16 × 7 15/32", "birch 3/4", "5/8 deep"})
    EXPECT_TRUE(words.contains(QString::fromUtf8(text))) << words.toStdString();
}

// What is read for a cut: marks of a rough one lie within its play.
TEST(CutWords, whatIsReadForEachKind) {
  LengthStyle metric;
  LengthStyle inches;
  inches.unit = Unit::Inch;
  SawCut cut;
  cut.direction = CutDirection::Cross;
  cut.kerf = Length::mm(3);
  cut.at = cut.distance = Length::um(2'068'070);
  saw::MadeCut made;
  made.piece.dx = Length::mm(2'434);
  made.piece.dy = Length::mm(600);
  cut.kind = CutKind::Final;
  EXPECT_EQ(kindWords(cut), QStringLiteral("crosscut"));
  EXPECT_EQ(readWords(cut, made, metric), figureWithUnit(cut.distance, metric));
  // 81.42 to 81.73 in.
  cut.kind = CutKind::Rough;
  cut.play = Play{cut.at, cut.at + Length::mm(8)};
  EXPECT_EQ(kindWords(cut), QStringLiteral("part roughly"));
  EXPECT_EQ(readWords(cut, made, metric), QStringLiteral("2069 to 2076 mm"));
  EXPECT_EQ(readWords(cut, made, inches), QStringLiteral("81 7/16 to 81 11/16 in"));
  // A trim at the far edge: what is beyond it, blade included.
  cut.kind = CutKind::Trim;
  cut.play.reset();
  cut.at = Length::mm(2'428);
  EXPECT_EQ(readWords(cut, made, metric), QStringLiteral("6 mm off"));
  cut.fence = FenceSide::High;
  cut.at = Length::mm(7);
  EXPECT_EQ(readWords(cut, made, metric), QStringLiteral("10 mm off"));
  Shop shop;
  cut.machine = "table saw";
  EXPECT_EQ(faceWords(shop, cut), QStringLiteral("good face up"));
  cut.machine = "table saw, tilted 45";
  EXPECT_EQ(faceWords(shop, cut), QStringLiteral("good face up"));
  cut.machine = "track saw";
  EXPECT_EQ(faceWords(shop, cut), QStringLiteral("good face down"));
  cut.machine = "no saw";
  EXPECT_EQ(faceWords(shop, cut), QString());
}

TEST(Figure, offTheFractionHasAWedgeAndSaysByHowMuch) {
  LengthStyle inches;
  inches.unit = Unit::Inch;
  inches.denominator = 32;
  const Length more = Length::in(6, 15, 16) + Length::um(50);
  EXPECT_EQ(figure(more, inches), QStringLiteral("6 15/16▴"));
  EXPECT_EQ(offTip(more, inches),
            QStringLiteral("0.05 mm more than shown: exactly 6.9394685039 in"));
  const LengthStyle mm;
  EXPECT_EQ(figure(Length::um(563'280), mm), QStringLiteral("563.3▾"));
  EXPECT_EQ(offTip(Length::um(563'280), mm),
            QStringLiteral("0.02 mm less than shown: exactly 563.28 mm"));
  EXPECT_TRUE(offTip(Length::um(563'300), mm).isEmpty());
}

TEST(Figure, isSetAsLargeAsThereIsRoom) {
  look::loadFonts();
  const QString text = QStringLiteral("29 1/16");
  const auto pixels = [&](double along, double across) {
    const auto font = fittingFont(text, along, across);
    return font ? font->pixelSize() : 0;
  };
  const double wide = textWidth(look::text(look::kFigure), text);
  EXPECT_EQ(pixels(wide + 1, 30), look::kFigure);
  EXPECT_EQ(pixels(wide - 1, 30), 14);
  EXPECT_EQ(pixels(wide + 1, look::kFigure - 1), 14) << "too low for the largest";
  EXPECT_EQ(pixels(textWidth(look::text(look::kLeast), text) + 0.1, 30), look::kLeast);
  EXPECT_EQ(pixels(textWidth(look::text(look::kLeast), text) - 1, 30), 0) << "too small to read";
}

TEST(Figure, isDividedAtItsWholeNumber) {
  const std::pair<const char*, int> rows[] = {{"29 1/16", 2}, {"3/4", 0},   {"563.2▾", 3},
                                              {"28", 2},      {"−12", 3},   {"usual", 0},
                                              {"", 0},        {"7 5/8▴", 1}};
  for (const auto& [text, whole] : rows) EXPECT_EQ(wholeOf(QString::fromUtf8(text)), whole) << text;
  LengthStyle style;
  style.unit = Unit::Inch;
  style.denominator = 8;
  EXPECT_EQ(widestTail(style), QStringLiteral(" 7/8▴"));
  style.denominator = 16;
  EXPECT_EQ(widestTail(style), QStringLiteral(" 15/16▴"));
  style = {};
  EXPECT_EQ(widestTail(style), QStringLiteral(".0▴"));
  style.decimals = 0;
  EXPECT_EQ(widestTail(style), QStringLiteral("▴"));
}

// The lines of one page, as they came to lie.
std::vector<TextLaid> onAPage(const std::function<void(Page&)>& draw, int most = 0) {
  look::loadFonts();
  const QTemporaryDir folder;
  QPdfWriter writer(folder.filePath(QStringLiteral("p.pdf")));
  constexpr int kDpi = 300;
  writer.setResolution(kDpi);
  QPainter painter(&writer);
  painter.scale(kDpi / 25.4, kDpi / 25.4);
  std::vector<TextLaid> out;
  Page page(writer, painter, QStringLiteral("title"), most, &out);
  page.newSheet();
  draw(page);
  return out;
}

TEST(Page, whatIsTooLongIsSetSmallerBeforeItIsCut) {
  const QString text = QStringLiteral("drawer right side, right hand");
  const auto laid = onAPage([&](Page& page) {
    page.text(20, 20, 80, 5, text, 10);
    page.text(20, 30, 45, 5, text, 10);
    page.text(20, 40, 20, 5, text, 10);
  });
  ASSERT_EQ(laid.size(), 3U);
  EXPECT_EQ(laid[0].points, 10);
  EXPECT_FALSE(laid[0].cut);
  EXPECT_LT(laid[1].points, 10);
  EXPECT_GE(laid[1].points, 7);
  EXPECT_FALSE(laid[1].cut);
  EXPECT_EQ(laid[2].points, 7);
  EXPECT_TRUE(laid[2].cut);
  for (const TextLaid& line : laid) {
    EXPECT_EQ(line.text, text);
    EXPECT_TRUE(line.box.adjusted(-0.1, -0.1, 0.1, 0.1).contains(line.ink));
  }
}

TEST(Page, figuresOfAColumnLineUpAtTheWholeNumber) {
  LengthStyle style;
  style.unit = Unit::Inch;
  const auto laid = onAPage([&](Page& page) {
    for (const char* text : {"29", "7 15/32", "3/4", "120 1/2▾"})
      page.figure(20, page.y() + 10, 40, 6, QString::fromUtf8(text), 11, widestTail(style));
  });
  ASSERT_EQ(laid.size(), 4U);
  const QFont font = look::text(1000);
  const auto whole = [&](const TextLaid& line) {
    // Where the whole number ends.
    const double scale = line.points * 25.4 / 72 / 1000;
    return line.ink.left() + textWidth(font, line.text.left(wholeOf(line.text))) * scale;
  };
  EXPECT_NEAR(whole(laid[0]), whole(laid[1]), 0.15);
  EXPECT_NEAR(whole(laid[0]), whole(laid[3]), 0.15);
  EXPECT_GT(laid[2].ink.left(), whole(laid[0])) << "a fraction alone stands behind it";
  for (const TextLaid& line : laid) EXPECT_LE(line.ink.right(), 60.1) << line.text.toStdString();
}

TEST(Page, aPageThatIsFullTakesNothing) {
  int pages = 0;
  const auto laid = onAPage(
      [&](Page& page) {
        for (; !page.isFull(); ++pages) {
          page.text(20, 20, 40, 5, QString::number(pages), 10);
          page.newSheet();
        }
        page.text(20, 20, 40, 5, QStringLiteral("too late"), 10);
        page.rule(40);
        page.box(20, 50, 4);
      },
      3);
  EXPECT_EQ(pages, 3);
  ASSERT_EQ(laid.size(), 3U);
  EXPECT_EQ(laid.back().page, 3);
}

// Every job that ships can be told from the others by its picture.
TEST(JobPicture, showsWhatIsInTheJob) {
  look::loadFonts();
  std::set<QByteArray> seen;
  for (const char* name : {"log-wall", "ringing-trolley", "hide-bench", "nest-boxes", "porthole",
                           "specimen-trays", "specimen-console", "corner-seat"}) {
    const std::string path = std::string(DEMO_DIR) + "/" + name + ".plainpatch";
    const Job job = readJob(path, readFile(path).value()).value();
    const QImage image = jobPicture(job, breakDown(job), {116, 116});
    EXPECT_EQ(image.size(), QSize(116, 116));
    seen.insert(QByteArray(reinterpret_cast<const char*>(image.constBits()),
                           static_cast<qsizetype>(image.sizeInBytes())));
  }
  EXPECT_EQ(seen.size(), 8U);
  const auto ink = [](const Job& job) {
    const QImage image = jobPicture(job, breakDown(job), {116, 116});
    int out = 0;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) out += image.pixel(x, y) != look::kCard.rgb() ? 1 : 0;
    return out;
  };
  Job job = newJob(Unit::Millimetre);
  EXPECT_EQ(ink(job), 0) << "nothing is drawn of nothing";
  LooseBoard board;
  board.name = "shelf";
  board.material = job.materials.front().id;
  board.length = Length::mm(600);
  board.width = Length::mm(300);
  job.loose.push_back(board);
  EXPECT_GT(ink(job), 1000) << "boards that are loose are drawn side by side";
}

}  // namespace
}  // namespace pp::figures_test

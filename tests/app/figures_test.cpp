// Fractions as they are drawn, measured, copied and read back from paper.
#include <gtest/gtest.h>

#include <QGuiApplication>
#include <QImage>
#include <QPdfWriter>
#include <QProcess>
#include <QTemporaryDir>
#include <algorithm>

#include "pictures/paint/figures.h"
#include "pictures/paint/look.h"
#include "pictures/paint/set_text.h"

namespace pp {
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

}  // namespace
}  // namespace pp

// The printed PDFs read back: QR codes by zbar, words by poppler.
#include <gtest/gtest.h>

#include <QDir>
#include <QProcess>
#include <QTemporaryDir>
#include <set>

#include "core/breakdown/breakdown.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/nest/nest.h"
#include "pictures/paint/figures.h"
#include "pictures/paper/print.h"

namespace pp {
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
  ASSERT_FALSE(printLabels(printed.input(), printed.path(QStringLiteral("l.pdf"))).has_value());
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
  ASSERT_FALSE(printLabels(printed.input(), printed.path(QStringLiteral("l.pdf"))).has_value());
  const QString words = printed.words(QStringLiteral("l.pdf"));
  for (const char* word :
       {"T1-01", "left side, left hand", "right side, right hand", "ringing trolley", "28 × 20 in",
        "birch edging: front", "birch iron-on: all round", "front", "top", "inside face",
        "show face", "2 of 2"})
    EXPECT_TRUE(words.contains(QString::fromUtf8(word))) << word << "\n" << words.toStdString();
}

TEST(Print, aPadsLabelSaysItsSideLayersAndThickness) {
  const Printed printed("log-wall");
  ASSERT_FALSE(printLabels(printed.input(), printed.path(QStringLiteral("l.pdf"))).has_value());
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
    EXPECT_FALSE(printLabels(printed.input(), printed.path(QStringLiteral("g.pdf"))).has_value());
    return outputOf(QStringLiteral("pdfinfo"), {printed.path(QStringLiteral("g.pdf"))});
  };
  EXPECT_TRUE(
      pages(2, 5, true).contains(QStringLiteral("Pages:           3")));  // 29 labels, 10 a page
  EXPECT_TRUE(pages(2, 5, true).contains(QStringLiteral("612 x 792")));
  EXPECT_TRUE(pages(3, 8, false).contains(QStringLiteral("Pages:           2")));
  EXPECT_TRUE(pages(3, 8, false).contains(QStringLiteral("(A4)")));
  printed.job.labels.columns = 9;
  EXPECT_TRUE(printLabels(printed.input(), printed.path(QStringLiteral("g.pdf"))).has_value());
}

TEST(Print, partsListNamesEveryPartInBothPapers) {
  const Printed printed("log-wall");
  for (const Paper paper : {Paper::A4, Paper::Letter}) {
    ASSERT_FALSE(
        printPartsList(printed.input(), paper, printed.path(QStringLiteral("p.pdf"))).has_value());
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
      printSheets(printed.input(), Paper::A4, printed.path(QStringLiteral("s.pdf"))).has_value());
  const QString sheets = printed.words(QStringLiteral("s.pdf"));
  for (const Part& part : printed.parts)
    EXPECT_TRUE(sheets.contains(QString::fromStdString(part.code))) << part.code;
  ASSERT_FALSE(
      printCuttingList(printed.input(), Paper::Letter, printed.path(QStringLiteral("c.pdf")))
          .has_value());
  const QString cuts = printed.words(QStringLiteral("c.pdf"));
  for (const Part& part : printed.parts)
    EXPECT_TRUE(cuts.contains(QString::fromStdString(part.code)))
        << part.code << cuts.toStdString();
  EXPECT_TRUE(cuts.contains(QStringLiteral("push block")));
  PrintInput without = printed.input();
  without.plan = nullptr;
  EXPECT_TRUE(printSheets(without, Paper::A4, printed.path(QStringLiteral("n.pdf"))).has_value());
  EXPECT_TRUE(printCuttingList(printed.input(), Paper::A4, QStringLiteral("/no/such/folder/c.pdf"))
                  .has_value());
}

}  // namespace
}  // namespace pp

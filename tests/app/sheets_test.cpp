// The pictures of the sheets: every part can be found on them, and nothing covers anything.
#include <gtest/gtest.h>

#include <QImage>
#include <QPainter>
#include <QSlider>
#include <cmath>
#include <random>
#include <set>

#include "app/stages/layout/sheets_view.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/nest/nest.h"
#include "pictures/paint/look.h"
#include "pictures/paint/sheet_picture.h"
#include "tests/app/shown_window.h"
#include "words/figures.h"

namespace pp::sheets_test {
namespace {

struct Planned {
  Job job;
  std::vector<Part> parts;
  NestRequest request;
  Plan plan;
  std::vector<saw::MadeCut> cuts;
  explicit Planned(const std::string& name) {
    const std::string path = std::string(DEMO_DIR) + "/" + name + ".plainpatch";
    job = readJob(path, readFile(path).value()).value();
    const std::vector<Part> all = breakDown(job).parts;
    request = requestOf(job, all);
    parts = sheetParts(all);
    nest::NestOptions options;
    options.steps = 300;
    plan = nest::nest(request, options);
    cuts = saw::madeCuts(request, plan).value();
  }
  SheetPicture picture(std::size_t sheet) const {
    SheetPicture out;
    out.job = &job;
    out.parts = &parts;
    out.request = &request;
    out.sheet = &plan.sheets[sheet];
    out.index = sheet;
    out.name = sheetName(request, plan, sheet);
    out.cuts = &cuts;
    out.cutsShown = cuts.size();
    return out;
  }
};

// What a run's parts have in common is drawn over them, and over no others.
TEST(SheetPicture, partsOfARunCarryTheirPyramid) {
  look::loadFonts();
  Planned planned("specimen-console");
  const QSize size(900, 480);
  const auto drawn = [&](std::size_t sheet) {
    QImage out(size, QImage::Format_RGB32);
    out.fill(Qt::white);
    QPainter painter(&out);
    planned.picture(sheet).paint(painter, QRectF(QPointF(0, 0), QSizeF(size)));
    return out;
  };
  std::vector<QImage> with;
  for (std::size_t s = 0; s < planned.plan.sheets.size(); ++s) with.push_back(drawn(s));
  std::vector<bool> has(with.size());
  for (std::size_t s = 0; s < has.size(); ++s)
    for (const Placement& one : planned.plan.sheets[s].placements)
      if (!planned.request.parts[one.part].run.empty()) has[s] = true;
  for (PartDemand& part : planned.request.parts) part.run.clear();
  for (std::size_t s = 0; s < has.size(); ++s) EXPECT_EQ(drawn(s) != with[s], has[s]) << s;
  EXPECT_TRUE(std::find(has.begin(), has.end(), true) != has.end());
}

TEST(SheetPicture, everyPartCarriesItsCodeAtEverySizeAndNothingCoversAnything) {
  look::loadFonts();
  for (const char* name : {"log-wall", "ringing-trolley", "hide-bench", "nest-boxes", "porthole",
                           "specimen-trays", "specimen-console", "corner-seat"}) {
    const Planned planned(name);
    for (std::size_t s = 0; s < planned.plan.sheets.size(); ++s) {
      const SheetPicture picture = planned.picture(s);
      for (const double width : {260.0, 520.0, 1000.0}) {
        const QRectF room(10, 20, width, 3000);
        const Mapping map = picture.mapping(room);
        const std::vector<SheetLabel> labels = picture.labels(map);
        for (std::size_t i = 0; i < picture.sheet->placements.size(); ++i) {
          const QString code = qs(planned.parts[picture.sheet->placements[i].part].code);
          EXPECT_TRUE(std::any_of(labels.begin(), labels.end(),
                                  [&](const SheetLabel& label) {
                                    return label.of == i && label.text.startsWith(code);
                                  }))
              << name << " " << s << " " << code.toStdString();
        }
        std::vector<QRectF> boxes;
        for (const SheetLabel& label : labels) {
          EXPECT_TRUE(room.adjusted(-0.5, -0.5, 0.5, 0.5).contains(label.box))
              << name << " " << s << " " << label.text.toStdString();
          EXPECT_GE(label.font.pixelSize(), look::kLeast);
          boxes.push_back(label.box.adjusted(0.5, 0.5, -0.5, -0.5));
        }
        for (const CutMark& mark : picture.cutMarks(map, labels))
          if (!mark.tag.isNull()) boxes.push_back(mark.tag.adjusted(0.5, 0.5, -0.5, -0.5));
        for (std::size_t a = 0; a < boxes.size(); ++a)
          for (std::size_t b = a + 1; b < boxes.size(); ++b)
            EXPECT_FALSE(boxes[a].intersects(boxes[b])) << name << " " << s << " " << a << " " << b;
      }
    }
  }
}

TEST(SheetPicture, aLabelInsideIsInsideWhatItIsAbout) {
  look::loadFonts();
  const std::vector<LabelWanted> wanted = {{QRectF(0, 0, 200, 100), "B1-01", "600 × 300", true},
                                           {QRectF(0, 100, 30, 200), "B1-02", "600 × 90", true},
                                           {QRectF(30, 100, 200, 6), "B1-03", "600 × 18", true},
                                           {QRectF(30, 110, 200, 6), "S1-K1", "600 × 18", false}};
  const std::vector<SheetLabel> labels = sheetLabels(wanted, QRectF(0, 0, 240, 300));
  ASSERT_EQ(labels.size(), 4U);  // two lines, one upright, one led out
  EXPECT_EQ(labels[0].text, QStringLiteral("B1-01"));
  EXPECT_EQ(labels[1].text, QStringLiteral("600 × 300"));
  EXPECT_GT(labels[1].box.top(), labels[0].box.top());
  EXPECT_TRUE(labels[2].upright);
  EXPECT_EQ(labels[2].text, QStringLiteral("B1-02  600 × 90"));
  for (const std::size_t i : {0U, 1U, 2U})
    EXPECT_TRUE(wanted[labels[i].of].room.contains(labels[i].box)) << i;
  EXPECT_EQ(labels[3].text, QStringLiteral("B1-03"));
  ASSERT_TRUE(labels[3].leader.has_value());
  EXPECT_TRUE(wanted[2].room.contains(labels[3].leader->p1()));
  EXPECT_GE(labels[3].box.left(), 240);
  EXPECT_EQ(ledOut(wanted), 1U);
}

// Whatever lies on a sheet: what is inside stays inside, and no two texts meet.
TEST(SheetPicture, labelsOfAnyPiecesKeepApart) {
  look::loadFonts();
  std::mt19937 random(7);
  const auto below = [&](int n) {
    return static_cast<double>(random() % static_cast<unsigned>(n));
  };
  for (int round = 0; round < 200; ++round) {
    // A sheet cut into rows, the rows into pieces.
    const QRectF sheet(20, 30, 300 + below(500), 200 + below(300));
    std::vector<LabelWanted> wanted;
    for (double y = sheet.top(); y < sheet.bottom();) {
      const double height = std::min(4 + below(120), sheet.bottom() - y);
      for (double x = sheet.left(); x < sheet.right();) {
        const double width = std::min(4 + below(260), sheet.right() - x);
        wanted.push_back({QRectF(x, y, width, height),
                          QStringLiteral("B%1-%2").arg(wanted.size() % 9).arg(wanted.size()),
                          QStringLiteral("%1 × %2").arg(width).arg(height), random() % 4 != 0});
        x += width;
      }
      y += height;
    }
    const std::vector<SheetLabel> labels = sheetLabels(wanted, sheet);
    std::size_t led = 0;
    std::set<std::size_t> named;
    for (const SheetLabel& label : labels) {
      named.insert(label.of);
      led += label.leader ? 1 : 0;
      if (label.leader) {
        EXPECT_GE(label.box.left(), sheet.right());
        EXPECT_TRUE(wanted[label.of].always);
      } else {
        EXPECT_TRUE(wanted[label.of].room.adjusted(-0.01, -0.01, 0.01, 0.01).contains(label.box));
      }
    }
    EXPECT_EQ(led, ledOut(wanted));
    for (std::size_t i = 0; i < wanted.size(); ++i)
      EXPECT_TRUE(!wanted[i].always || named.count(i) == 1) << round << " " << i;
    for (std::size_t a = 0; a < labels.size(); ++a)
      for (std::size_t b = a + 1; b < labels.size(); ++b)
        EXPECT_FALSE(labels[a].box.adjusted(0.1, 0.1, -0.1, -0.1).intersects(labels[b].box))
            << round << ": " << labels[a].text.toStdString() << ", "
            << labels[b].text.toStdString();
  }
}

class SheetsShown : public test::ShownWindow {
 protected:
  void SetUp() override {
    begin();
    open("ringing-trolley", "lay-out");
    ASSERT_TRUE(planned());
    view_ = dynamic_cast<SheetsView*>(
        test::named(window_.get(), QStringLiteral("Sheets with their parts")));
    ASSERT_NE(view_, nullptr);
  }
  SheetsView* view_ = nullptr;
};

TEST_F(SheetsShown, aCodeThatIsTypedIsChosenWhereverItLies) {
  test::press(Qt::Key_F);
  test::type(QStringLiteral("t1-12"));
  ASSERT_TRUE(view_->selection().has_value());
  EXPECT_EQ(session().pointing().selection().part, "T1-12");
  const nest::PlacementRef first = *view_->selection();
  test::press(Qt::Key_Return);
  EXPECT_EQ(session().pointing().selection().part, "T1-12");
  EXPECT_FALSE(*view_->selection() == first) << "Enter goes on to the next copy";
  test::type(QStringLiteral("9"));
  EXPECT_TRUE(
      test::textOf(window_.get(), QStringLiteral("By hand")).contains(QStringLiteral("t1-129")));
}

TEST_F(SheetsShown, theCutsAreDrawnInTheirOrder) {
  auto* slider = test::named<QSlider>(window_.get(), QStringLiteral("Cuts in order"));
  ASSERT_NE(slider, nullptr);
  const int cuts = static_cast<int>(session().plans().shown().plan->cuts.size());
  EXPECT_EQ(slider->maximum(), cuts);
  EXPECT_EQ(test::textOf(window_.get(), QStringLiteral("Cut")), QStringLiteral("none drawn"));
  slider->setFocus();
  test::press(Qt::Key_Right);
  const auto& plan = session().plans().shown().plan;
  const SawCut& first = plan->cuts.front();
  ASSERT_EQ(first.kind, CutKind::Trim) << "a sheet is cleaned first";
  const auto words = [&](const SawCut& cut) {
    return QStringLiteral("%1 of %2   %3: %4, ")
        .arg(cut.step)
        .arg(cuts)
        .arg(qs(cut.piece), qs(cut.machine));
  };
  EXPECT_EQ(test::textOf(window_.get(), QStringLiteral("Cut")),
            words(first) + QStringLiteral("trim to a mark, %1 off")
                               .arg(figureWithUnit(session().job().saw.trim, session().style())));
  const auto set = std::find_if(plan->cuts.begin(), plan->cuts.end(),
                                [](const SawCut& cut) { return cut.kind == CutKind::Final; });
  ASSERT_NE(set, plan->cuts.end());
  for (int step = 1; step < set->step; ++step) test::press(Qt::Key_Right);
  EXPECT_EQ(test::textOf(window_.get(), QStringLiteral("Cut")),
            words(*set) + QStringLiteral("%1, %2").arg(
                              set->direction == CutDirection::Rip ? QStringLiteral("rip")
                                                                  : QStringLiteral("crosscut"),
                              figureWithUnit(set->distance, session().style())));
}

TEST_F(SheetsShown, oneSheetFillsTheStageAndGoesBack) {
  const int before = view_->minimumHeight();
  view_->setFocus();
  test::press(Qt::Key_Return);
  EXPECT_EQ(view_->only(), 0U);
  EXPECT_LT(view_->minimumHeight(), before);
  EXPECT_EQ(test::textOf(window_.get(), QStringLiteral("One sheet")), QStringLiteral("All sheets"));
  test::press(Qt::Key_Escape);
  EXPECT_FALSE(view_->only().has_value());
  test::click(window_.get(), QStringLiteral("Larger"));
  EXPECT_GT(view_->minimumHeight(), before);
  test::press(Qt::Key_0);
  EXPECT_EQ(view_->minimumHeight(), before);
}

}  // namespace
}  // namespace pp::sheets_test

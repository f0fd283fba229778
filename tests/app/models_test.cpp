#include <gtest/gtest.h>

#include <QAbstractItemModelTester>

#include "app/grid/columns.h"
#include "app/stages/parts/parts_model.h"

namespace pp::models_test {
namespace {

constexpr auto kFatal = QAbstractItemModelTester::FailureReportingMode::Fatal;

TEST(PartsModel, showsThePartsItIsGiven) {
  Session session;
  PartsModel model;
  const QAbstractItemModelTester tester(&model, kFatal);
  EXPECT_EQ(model.rowCount(), 0);
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  model.setParts(session.jobValue(), session.breakdownValue());
  EXPECT_EQ(model.rowCount(), 21);  // two headings, 17 parts of the trolley and 2 loose ones
  EXPECT_TRUE(model.isHeading(0));
  EXPECT_EQ(model.rowOf("T1-03"), 3);
  EXPECT_EQ(model.index(3, PartsModel::PartLength).data().toString(), QStringLiteral("29 1/16"));
}

TEST(GridModel, editsThroughTheDocumentAndRefusesInPlace) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  GridModel model(session, QStringLiteral("material"), materialColumns(),
                  [](const Job& job) { return job.materials.size(); });
  const QAbstractItemModelTester tester(&model, kFatal);
  Problems last;
  QObject::connect(&model, &GridModel::refused, &model,
                   [&last](const Problems& problems) { last = problems; });
  const QModelIndex measured = model.index(0, 2);
  EXPECT_EQ(measured.data().toString(), QStringLiteral("23/32"));
  EXPECT_TRUE(model.setData(measured, QStringLiteral("3/4 - 1/64"), Qt::EditRole));
  EXPECT_EQ(session.job().materials[0].measured, Length::in(0, 47, 64));
  EXPECT_FALSE(model.setData(measured, QStringLiteral("thick"), Qt::EditRole));
  ASSERT_EQ(last.size(), 1U);
  EXPECT_EQ(session.job().materials[0].measured, Length::in(0, 47, 64));
  EXPECT_FALSE(model.setData(measured, QStringLiteral("0"), Qt::EditRole));
  session.undo();
  EXPECT_EQ(session.job().materials[0].measured, Length::in(0, 23, 32));
}

// Of a job that is worked out beside the window a row is still shown that an undo has taken.
TEST(GridModel, aCellOfARowThatIsGoneIsNotSet) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("ringing-trolley")).empty());
  GridModel model(session, QStringLiteral("material"), materialColumns(),
                  [](const Job& job) { return job.materials.size(); });
  Job more = session.job();
  more.materials.push_back(more.materials.front());
  more.materials.back().id = "more";
  more.materials.back().name = "more";
  ASSERT_TRUE(session.edit(QStringLiteral("more"), std::move(more)).empty());
  const int last = model.rowCount() - 1;
  session.deriver().setFrame(Deriver::Duration(0));
  session.undo();
  ASSERT_EQ(model.rowCount(), last + 1) << "it is not shown yet";
  EXPECT_FALSE(model.setData(model.index(last, 0), QStringLiteral("other"), Qt::EditRole));
  EXPECT_EQ(model.rowCount(), last);
}

TEST(StockColumns, everyColumnTakesBackWhatItShows) {
  Session session;
  ASSERT_TRUE(session.openDemo(QStringLiteral("log-wall")).empty());
  for (const GridColumn& column : stockColumns())
    for (std::size_t row = 0; row < session.job().stock.size(); ++row) {
      Job copy = session.job();
      EXPECT_TRUE(column.set(copy, row, column.typed(copy, row)).empty())
          << column.title.toStdString();
      EXPECT_EQ(copy, session.job()) << column.title.toStdString() << " row " << row;
    }
}

}  // namespace
}  // namespace pp::models_test

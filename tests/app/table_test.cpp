// Tables: their columns fill them, can be sorted and drawn wider, and what was drawn is kept.
#include <gtest/gtest.h>

#include <QClipboard>
#include <QFile>
#include <QGuiApplication>
#include <QHeaderView>
#include <QRegularExpression>
#include <algorithm>

#include "app/session/remembered.h"
#include "tests/app/shown_window.h"

namespace pp::table_test {
namespace {

class Tables : public test::ShownWindow {
 protected:
  QTableView* table(const char* name) {
    return test::named<QTableView>(window_.get(), QString::fromUtf8(name));
  }
  static QStringList column(const QTableView& of, int number) {
    QStringList out;
    for (int row = 0; row < of.model()->rowCount(); ++row)
      out << of.model()->index(row, number).data().toString();
    return out;
  }
  static void clickHeader(QTableView& of, int section) {
    QHeaderView* header = of.horizontalHeader();
    test::clickAt(header->viewport(), QPointF(header->sectionViewportPosition(section) + 20, 12));
    test::settle();
  }
  static int used(const QTableView& of) { return of.horizontalHeader()->length(); }
};

TEST_F(Tables, columnsFillTheWidth) {
  for (const auto& [stage, names] :
       {std::pair{"parts", QStringList{QStringLiteral("Parts")}},
        std::pair{"rack", QStringList{QStringLiteral("Sheets and offcuts")}}}) {
    open("log-wall", stage);
    for (const QString& name : names) {
      const auto* view = test::named<QTableView>(window_.get(), name);
      EXPECT_GE(used(*view), view->viewport()->width()) << name.toStdString();
    }
  }
}

TEST_F(Tables, aHeaderSortsAndTheThirdClickGoesBack) {
  open("log-wall", "rack");
  QTableView* view = table("Sheets and offcuts");
  const QStringList asBuilt = column(*view, 0);
  constexpr int kLength = 5;
  clickHeader(*view, kLength);
  std::vector<double> lengths;
  for (const QString& text : column(*view, kLength)) lengths.push_back(text.toDouble());
  EXPECT_TRUE(std::is_sorted(lengths.begin(), lengths.end()));
  EXPECT_NE(column(*view, 0), asBuilt);
  clickHeader(*view, kLength);
  lengths.clear();
  for (const QString& text : column(*view, kLength)) lengths.push_back(text.toDouble());
  EXPECT_TRUE(std::is_sorted(lengths.rbegin(), lengths.rend()));
  clickHeader(*view, kLength);
  EXPECT_EQ(column(*view, 0), asBuilt);
}

TEST_F(Tables, whatIsEditedInASortedTableIsWhatIsSeen) {
  open("log-wall", "rack");
  QTableView* view = table("Sheets and offcuts");
  clickHeader(*view, 5);
  const QString mark = view->model()->index(0, 0).data().toString();
  const std::size_t row = [&] {
    for (std::size_t i = 0; i < job().stock.size(); ++i)
      if (job().stock[i].mark == mark.toStdString()) return i;
    return job().stock.size();
  }();
  ASSERT_GT(row, 0U) << "the shortest piece is not the first of the job";
  set("Sheets and offcuts", 0, 9, "7.50");
  EXPECT_EQ(job().stock[row].price, Money::tenThousandths(75'000));
  view->setCurrentIndex(view->model()->index(0, 0));
  const std::size_t before = job().stock.size();
  test::click(window_.get(), QStringLiteral("Remove row"));
  EXPECT_EQ(job().stock.size(), before - 1);
  for (const StockPiece& piece : job().stock) EXPECT_NE(piece.mark, mark.toStdString());
}

TEST_F(Tables, partsAreSortedWithinTheirAssembly) {
  open("log-wall", "parts");
  QTableView* view = table("Parts");
  const auto assemblies = [&] {
    QStringList out;
    for (const QString& code : column(*view, 0))
      if (code.contains(QLatin1Char(' '))) out << code;
    return out;
  };
  const QStringList headings = assemblies();
  ASSERT_GT(headings.size(), 2);
  constexpr int kLength = 3;
  clickHeader(*view, kLength);
  EXPECT_EQ(assemblies(), headings);
  double before = 0;
  for (int row = 0; row < view->model()->rowCount(); ++row) {
    const QString text = view->model()->index(row, kLength).data().toString();
    if (text.isEmpty()) {
      before = 0;  // a heading
      continue;
    }
    const double length =
        QString(text).remove(QRegularExpression(QStringLiteral("[▴▾]"))).toDouble();
    EXPECT_GE(length, before) << row;
    before = length;
  }
}

TEST_F(Tables, aWidthThatWasDrawnIsRemembered) {
  open("log-wall", "parts");
  QTableView* view = table("Parts");
  constexpr int kMaterial = 6;
  const int before = view->columnWidth(kMaterial);
  QHeaderView* header = view->horizontalHeader();
  header->resizeSection(kMaterial, before + 60);
  begin();
  open("log-wall", "parts");
  view = table("Parts");
  EXPECT_EQ(view->columnWidth(kMaterial), before + 60);
  emit view->horizontalHeader()->sectionHandleDoubleClicked(kMaterial);
  EXPECT_EQ(view->columnWidth(kMaterial), before) << "a double click goes back to what is needed";
}

TEST_F(Tables, aFigureIsCopiedAndReadAsItIsTyped) {
  open("ringing-trolley", "parts");
  QTableView* view = table("Parts");
  int row = 0;
  constexpr int kWidth = 4;
  while (!view->model()->index(row, kWidth).data().toString().endsWith(QStringLiteral("▾"))) {
    ++row;
    ASSERT_LT(row, view->model()->rowCount());
  }
  const QModelIndex index = view->model()->index(row, kWidth);
  EXPECT_EQ(index.data().toString(), QStringLiteral("6 15/16▾"));
  EXPECT_EQ(index.data(Qt::AccessibleTextRole).toString(), QStringLiteral("6 15/16"));
  EXPECT_TRUE(index.data(Qt::ToolTipRole).toString().contains(QStringLiteral("less than shown")));
  view->setFocus();
  view->setCurrentIndex(index);
  test::press(Qt::Key_C, Qt::ControlModifier);
  EXPECT_EQ(QGuiApplication::clipboard()->text(), QStringLiteral("6 15/16"));
}

TEST(Remembered, jobsAreKeptNewestFirstAndOnce) {
  const QTemporaryDir folder;
  QStringList paths;
  for (const char* name : {"a", "b", "c"}) {
    paths << folder.filePath(QString::fromLatin1(name));
    QFile file(paths.back());
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    keepLastJob(paths.back());
  }
  keepLastJob(paths[0]);
  EXPECT_EQ(lastJobs().mid(0, 3), QStringList({paths[0], paths[2], paths[1]}));
  QFile::remove(paths[2]);
  EXPECT_EQ(lastJobs().mid(0, 2), QStringList({paths[0], paths[1]}));
}

}  // namespace
}  // namespace pp::table_test

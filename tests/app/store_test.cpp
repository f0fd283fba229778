// The shop's rack in the real window: what is put there is seen by every job, taken to the saw it
// is promised, and a store that is gone keeps nobody from working.
#include <SQLiteCpp/Database.h>
#include <gtest/gtest.h>

#include <QComboBox>
#include <QDialog>
#include <QFile>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QProcess>
#include <QPushButton>
#include <QSpinBox>
#include <QTableView>
#include <QTest>

#include "app/stages/rack/rack_view.h"
#include "core/formats/file.h"
#include "core/shop/cost.h"
#include "tests/app/shown_window.h"

namespace pp::store_test {
namespace {

using test::click;
using test::named;
using test::press;
using test::textOf;
using test::waitFor;
using test::willAnswer;
using test::willChooseFile;

class ShopsRack : public test::ShownWindow {
 protected:
  void SetUp() override {
    ShownWindow::SetUp();
    startHere();
    open("ringing-trolley", "rack");
  }
  // A store of this test's own.
  void startHere() { session().store().setPath(storePath()); }
  std::string storePath() const { return path("shop.sqlite").toStdString(); }
  Store store() const { return Store::open(storePath()).value(); }
  RackView* view() { return named<RackView>(window_.get(), QStringLiteral("The shop's rack")); }
  void settleStore() {
    session().store().finish();
    test::settle();
  }
  void putThere(int row) {
    auto* table = named<QTableView>(window_.get(), QStringLiteral("Sheets and offcuts"));
    table->setCurrentIndex(table->model()->index(row, 0));
    click(window_.get(), QStringLiteral("Put the chosen row into the shop's rack"));
    settleStore();
  }
  void takeOver() {
    click(window_.get(), QStringLiteral("Take over from the store"));
    test::settle();
  }
  // Every row of the job's rack is there, and what could be bought is out of it.
  void stockTheShop() {
    const int rows = static_cast<int>(job().stock.size());
    for (int row = 0; row < rows; ++row) putThere(row);
    edit([](Job& job) {
      job.pins.clear();
      while (!job.stock.empty()) job.stock.pop_back();
    });
    settleStore();
    takeOver();
  }
  std::vector<RackRow> rack() const {
    Store there = store();
    return there.rack().value();
  }
};

TEST_F(ShopsRack, whatIsPutThereIsSeenByEveryJob) {
  EXPECT_FALSE(view()->accessibleDescription().isEmpty());
  edit([](Job& job) { job.stock[0].quantity = 3; });
  putThere(0);
  ASSERT_EQ(rack().size(), 1U);
  EXPECT_EQ(rack()[0].left, 3);
  Store there = store();
  const std::vector<RackMaterial> materials = there.all<RackMaterial>().value();
  const Material& own = *findMaterial(job(), job().stock[0].material);
  ASSERT_EQ(materials.size(), 1U);
  EXPECT_EQ(materials[0].name, own.name);
  EXPECT_EQ(materials[0].tone, own.tone);
  EXPECT_EQ(materials[0].density, own.density);
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("1 piece shown"));
  // The row that was put there is what could be bought still; the piece is one more.
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Where this job's copy differs"))
                  .contains(QStringLiteral("3 more in the store")));
  takeOver();
  EXPECT_EQ(job().stock[job().stock.size() - 1].quantity, 3);
  EXPECT_EQ(job().stock[job().stock.size() - 1].store, rack()[0].piece.id);
  putThere(static_cast<int>(job().stock.size()) - 1);
  EXPECT_EQ(rack().size(), 1U) << "a copy is not put there once more";
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(job().stock[job().stock.size() - 1].store, 0);
  // Another job, in another window.
  begin();
  startHere();
  open("log-wall", "rack");
  settleStore();
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("1 piece shown"));
}

TEST_F(ShopsRack, isSearchedAndGoneThroughByTheArrowKeys) {
  for (int row = 0; row < 3; ++row) putThere(row);
  const auto count = view()->accessibleDescription();
  EXPECT_EQ(count, QStringLiteral("3 pieces shown"));
  auto* search = named<QLineEdit>(window_.get(), QStringLiteral("Search the rack"));
  search->setFocus();
  test::type(QStringLiteral("nowhere to be found"));
  EXPECT_EQ(view()->accessibleDescription(), QStringLiteral("0 pieces shown"));
  search->clear();
  view()->setFocus();
  press(Qt::Key_Right);
  const QString first = textOf(window_.get(), QStringLiteral("The piece that is chosen"));
  EXPECT_TRUE(first.contains(QStringLiteral("of this job"))) << first.toStdString();
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  press(Qt::Key_Right);
  ASSERT_NE(view()->chosen(), nullptr);
  EXPECT_EQ(view()->chosen()->piece.id, rack()[2].piece.id) << "the last one stays";
  press(Qt::Key_Left);
  EXPECT_EQ(view()->chosen()->piece.id, rack()[1].piece.id);
  test::clickAt(view(), view()->places()[0].face.center());
  EXPECT_EQ(view()->chosen()->piece.id, rack()[0].piece.id);
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("The piece that is chosen")), first);
}

// Another job is opened while the rack is not shown: what was chosen there was read for the one
// before.
TEST_F(ShopsRack, aPieceStaysChosenWhenAnotherJobIsOpened) {
  putThere(0);
  view()->setFocus();
  press(Qt::Key_Right);
  ASSERT_NE(view()->chosen(), nullptr);
  window_->showStage(QStringLiteral("draw"));
  ASSERT_TRUE(window_->openDemo(QStringLiteral("log-wall")));
  window_->showStage(QStringLiteral("rack"));
  settleStore();
  EXPECT_EQ(view()->chosen()->piece.id, rack()[0].piece.id);
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("The piece that is chosen"))
                  .contains(QStringLiteral("good for ")));
}

TEST_F(ShopsRack, whatIsTakenToTheSawIsPromised) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 20;
  });
  stockTheShop();
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  settleStore();
  ASSERT_EQ(session().floor().record().cuttings.size(), 1U);
  settleStore();
  const auto promised = [this] {
    std::int64_t out = 0;
    for (const RackRow& row : rack()) out += row.left - row.free;
    return out;
  };
  const auto sheets = std::ssize(session().floor().record().cuttings[0].plans[0].plan.sheets);
  EXPECT_EQ(promised(), sheets);
  EXPECT_TRUE(store().check().empty());
  // Its own taking is no difference.
  window_->showStage(QStringLiteral("rack"));
  settleStore();
  EXPECT_EQ(textOf(window_.get(), QStringLiteral("Where this job's copy differs")), QString());
  ASSERT_FALSE(session().giveUp(1).has_value());
  settleStore();
  EXPECT_EQ(promised(), 0);
}

TEST_F(ShopsRack, whatAnotherHasIsNotTaken) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 20;
  });
  stockTheShop();
  ASSERT_TRUE(planned());
  {
    Store other = store();
    std::map<Id, std::int64_t> all;
    for (const RackRow& row : rack()) all[row.piece.id] = row.free;
    ASSERT_TRUE(other.take("another job", "Nook", 1, all).empty());
  }
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  settleStore();
  EXPECT_TRUE(session().floor().record().cuttings.empty());
  bool said = false;
  for (const QLabel* line : window_->findChildren<QLabel*>())
    said =
        said || (line->isVisible() && line->text().contains(QStringLiteral("0 free; 20 for Nook")));
  EXPECT_TRUE(said);
  // The second look has it, and mends it.
  settleStore();
  bool found = false;
  for (const Finding& one : session().findings())
    found = found || one.what.find("shop's rack are not as this job has them") != std::string::npos;
  EXPECT_TRUE(found);
}

TEST_F(ShopsRack, aStoreThatIsBrokenLeavesTheJobUsable) {
  stockTheShop();
  ASSERT_TRUE(planned());
  ASSERT_FALSE(writeFile(path("broken.sqlite").toStdString(), std::string(4'000, 'x')));
  session().store().setPath(path("broken.sqlite").toStdString());
  session().store().look();
  settleStore();
  EXPECT_TRUE(session().store().trouble().contains(QStringLiteral("no store, or a broken one")));
  EXPECT_FALSE(
      named<QPushButton>(window_.get(), QStringLiteral("Put the chosen row into the shop's rack"))
          ->isEnabled());
  set("Sheets and offcuts", 0, 8, "17");
  EXPECT_EQ(job().stock[0].quantity, 17);
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  click(window_.get(), QStringLiteral("Take to the saw"));
  settleStore();
  EXPECT_EQ(session().floor().record().cuttings.size(), 1U);
  EXPECT_TRUE(
      textOf(window_.get(), QStringLiteral("Message")).contains(QStringLiteral("not told")));
}

// Another program writes to it: nobody waits, and it is told as soon as it can be.
TEST_F(ShopsRack, aStoreThatIsLockedKeepsNobodyWaiting) {
  edit([](Job& job) {
    for (std::size_t i = 0; i < job.stock.size(); ++i) job.stock[i].quantity = 20;
  });
  stockTheShop();
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("lay-out"));
  willChooseFile(path());
  SQLite::Database other(storePath(), SQLite::OPEN_READWRITE);
  other.exec("BEGIN IMMEDIATE");
  click(window_.get(), QStringLiteral("Take to the saw"));
  ASSERT_TRUE(waitFor([this] { return !session().floor().record().cuttings.empty(); }));
  const auto said = [this](const char* words) {
    return waitFor([this, words] {
      return textOf(window_.get(), QStringLiteral("Message")).contains(QString::fromUtf8(words));
    });
  };
  EXPECT_TRUE(said("It is tried again"));
  // What it has then is not told either as long as the other writes.
  EXPECT_TRUE(said("not told yet what this job has"));
  const auto promised = [this] {
    std::int64_t out = 0;
    for (const RackRow& row : rack()) out += row.left - row.free;
    return out;
  };
  other.exec("ROLLBACK");
  const auto sheets = std::ssize(session().floor().record().cuttings[0].plans[0].plan.sheets);
  EXPECT_TRUE(waitFor([&] { return promised() == sheets; }));
  EXPECT_TRUE(said("knows again what this job has"));
  // The program ends though somebody writes again.
  other.exec("BEGIN IMMEDIATE");
  ASSERT_FALSE(session().giveUp(1).has_value());
  window_.reset();
  other.exec("ROLLBACK");
}

TEST_F(ShopsRack, aStoreThatIsRemovedWhileItIsOpenIsSaid) {
  stockTheShop();
  ASSERT_FALSE(rack().empty());
  for (const char* end : {"", "-wal", "-shm"})
    QFile::remove(QString::fromStdString(storePath() + end));
  session().store().look();
  settleStore();
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("Message"))
                  .contains(QStringLiteral("removed or replaced")));
  // What is put there now is there.
  edit([](Job& job) { job.stock[0].store = 0; });
  putThere(0);
  EXPECT_EQ(rack().size(), 1U);
}

class ShopsThings : public ShopsRack {
 protected:
  void SetUp() override {
    ShopsRack::SetUp();
    edit([](Job& job) { job.unit = Unit::Millimetre; });
  }
  QDialog* openDialog(const char* button, const char* name) {
    click(window_.get(), QString::fromUtf8(button));
    QDialog* out = nullptr;
    EXPECT_TRUE(waitFor([&] {
      for (auto* one : window_->findChildren<QDialog*>())
        if (one->isVisible() && one->windowTitle() == QString::fromUtf8(name)) out = one;
      return out != nullptr;
    }));
    settleStore();
    QApplication::setActiveWindow(out);
    EXPECT_TRUE(waitFor([&] { return out->isActiveWindow(); }));
    return out;
  }
  QDialog* shop() { return openDialog("What the shop owns", "The shop"); }
  QDialog* buying() { return openDialog("What to buy, and what it costs", "What to buy"); }
  void leaf(QDialog* dialog, const char* name) {
    click(dialog, QStringLiteral("Show the shop's %1").arg(QString::fromUtf8(name)));
  }
  // Chooses the cell and types into it as a person does.
  void put(QTableView* table, int row, int column, const QString& text) {
    table->setFocus();
    table->setCurrentIndex(table->model()->index(row, column));
    QTest::keyClick(table, Qt::Key_F2);
    test::settle();
    QWidget* editor = QApplication::focusWidget();
    if (auto* box = qobject_cast<QComboBox*>(editor)) {
      box->setCurrentText(text);
    } else if (auto* field = qobject_cast<QLineEdit*>(editor)) {
      field->selectAll();
      QTest::keyClicks(field, text);
    } else {
      FAIL() << "nothing to type into";
    }
    QTest::keyClick(editor, Qt::Key_Return);
    test::settle();
    settleStore();
  }
  static QString cell(QTableView* table, int row, int column) {
    return table->model()->index(row, column).data().toString();
  }
};

TEST_F(ShopsThings, aPieceIsChangedAndTheChangeTakenBack) {
  putThere(0);
  QDialog* dialog = shop();
  auto* table = named<QTableView>(dialog, QStringLiteral("The shop's rack"));
  ASSERT_EQ(table->model()->rowCount(), 1);
  enum { kLot = 3, kPlace = 11, kFree = 13 };
  put(table, 0, kPlace, QStringLiteral("by the door"));
  EXPECT_EQ(rack()[0].piece.place, "by the door");
  put(table, 0, kFree, QStringLiteral("10 20 30 40"));
  ASSERT_EQ(rack()[0].piece.defects.size(), 1U);
  EXPECT_EQ(rack()[0].piece.defects[0].height, Length::mm(40));
  // What is no place on the piece is said, and nothing changes.
  put(table, 0, kFree, QStringLiteral("10 20 30 99999"));
  EXPECT_TRUE(textOf(dialog, QStringLiteral("What is wrong")).contains(QStringLiteral("99999")))
      << textOf(dialog, QStringLiteral("What is wrong")).toStdString();
  EXPECT_EQ(rack()[0].piece.defects[0].height, Length::mm(40));
  EXPECT_EQ(cell(table, 0, kFree), QStringLiteral("10 20 30 40"));
  press(Qt::Key_Z, Qt::ControlModifier);
  settleStore();
  EXPECT_TRUE(rack()[0].piece.defects.empty());
  press(Qt::Key_Z, Qt::ControlModifier);
  settleStore();
  EXPECT_EQ(rack()[0].piece.place, "");
  press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  settleStore();
  EXPECT_EQ(rack()[0].piece.place, "by the door");
  // It goes, and comes back as it was.
  const Id id = rack()[0].piece.id;
  table->setCurrentIndex(table->model()->index(0, 0));
  click(dialog, QStringLiteral("Remove the row"));
  settleStore();
  EXPECT_TRUE(rack().empty());
  click(dialog, QStringLiteral("Undo in the shop"));
  settleStore();
  ASSERT_EQ(rack().size(), 1U);
  EXPECT_EQ(rack()[0].piece.id, id);
}

TEST_F(ShopsThings, rowsAreFoundAndSorted) {
  for (int row = 0; row < static_cast<int>(job().stock.size()); ++row) putThere(row);
  QDialog* dialog = shop();
  auto* table = named<QTableView>(dialog, QStringLiteral("The shop's rack"));
  const int all = table->model()->rowCount();
  enum { kMaterial = 2, kLength = 5, kNote = 12 };
  // By length, as figures: 90 would come after 1000 as a word.
  table->model()->sort(kLength, Qt::AscendingOrder);
  for (int row = 1; row < all; ++row)
    EXPECT_LE(cell(table, row - 1, kLength).toDouble(), cell(table, row, kLength).toDouble());
  const QString first = cell(table, 0, kLength);
  // What is changed is the row that is shown, wherever it stands in the store.
  put(table, 0, kNote, QStringLiteral("shortest"));
  Length least = rack()[0].piece.length;
  for (const RackRow& row : rack()) least = std::min(least, row.piece.length);
  for (const RackRow& row : rack())
    EXPECT_TRUE(row.piece.note.empty() || row.piece.length == least);
  named<QLineEdit>(dialog, QStringLiteral("Find"))->setText(QStringLiteral("SHORTEST"));
  ASSERT_EQ(table->model()->rowCount(), 1);
  EXPECT_EQ(cell(table, 0, kLength), first);
  table->setCurrentIndex(table->model()->index(0, 0));
  click(dialog, QStringLiteral("Remove the row"));
  settleStore();
  EXPECT_EQ(rack().size(), static_cast<std::size_t>(all - 1));
  for (const RackRow& row : rack()) EXPECT_TRUE(row.piece.note.empty());
}

TEST_F(ShopsThings, hardwareAndFinishesAreKept) {
  QDialog* dialog = shop();
  leaf(dialog, "hardware");
  click(dialog, QStringLiteral("Add a row"));
  settleStore();
  auto* table = named<QTableView>(dialog, QStringLiteral("The shop's hardware"));
  ASSERT_EQ(table->model()->rowCount(), 1);
  put(table, 0, 0, QStringLiteral("pocket screw"));
  put(table, 0, 1, QStringLiteral("screw"));
  put(table, 0, 2, QStringLiteral("30 + 2"));
  put(table, 0, 4, QStringLiteral("250"));
  put(table, 0, 5, QStringLiteral("12.5"));
  const Hardware got = store().all<Hardware>()->at(0);
  EXPECT_EQ(got.kind, HardwareKind::Screw);
  EXPECT_EQ(got.length, Length::mm(32));
  EXPECT_EQ(got.pack, 250);
  EXPECT_EQ(got.price, Money::tenThousandths(125'000));
  put(table, 0, 4, QStringLiteral("0"));
  EXPECT_EQ(store().all<Hardware>()->at(0).pack, 250) << "a pack of none is refused";
  leaf(dialog, "finishes");
  click(dialog, QStringLiteral("Add a row"));
  settleStore();
  table = named<QTableView>(dialog, QStringLiteral("The shop's finishes"));
  put(table, 0, 0, QStringLiteral("clear"));
  put(table, 0, 1, QStringLiteral("sealer"));
  table->setCurrentIndex(table->model()->index(0, 0));
  click(dialog, QStringLiteral("Add a product to the finish"));
  settleStore();
  ASSERT_EQ(table->model()->rowCount(), 2);
  put(table, 1, 1, QStringLiteral("varnish"));
  put(table, 1, 3, QStringLiteral("3"));
  const ShopFinish finish = store().all<ShopFinish>()->at(0);
  ASSERT_EQ(finish.products.size(), 2U);
  EXPECT_EQ(finish.products[1].name, "varnish");
  EXPECT_EQ(finish.products[1].coats, 3);
  table->setCurrentIndex(table->model()->index(0, 0));
  click(dialog, QStringLiteral("Remove the row"));
  settleStore();
  EXPECT_EQ(store().all<ShopFinish>()->at(0).products[0].name, "varnish");
}

TEST_F(ShopsThings, offcutsHaveLabels) {
  QDialog* dialog = shop();
  const QString file = path("tags.pdf");
  willChooseFile(file);
  click(dialog, QStringLiteral("Labels of the pieces shown"));
  EXPECT_TRUE(waitFor([&] {
    return textOf(dialog, QStringLiteral("What is wrong")).contains(QStringLiteral("number"));
  }));
  EXPECT_FALSE(QFile::exists(file)) << "nothing there has one";
  edit([](Job& job) {
    job.stock[0].kind = StockKind::Offcut;
    job.stock[0].quantity = 1;
  });
  putThere(0);
  ASSERT_EQ(rack()[0].piece.tag, 1);
  willChooseFile(file);
  click(dialog, QStringLiteral("Labels of the pieces shown"));
  ASSERT_TRUE(waitFor([&] { return QFile::exists(file); }));
  QProcess text;
  text.start(QStringLiteral("pdftotext"), {QStringLiteral("-layout"), file, QStringLiteral("-")});
  ASSERT_TRUE(text.waitForFinished());
  const QString words = QString::fromUtf8(text.readAllStandardOutput());
  EXPECT_TRUE(words.contains(QStringLiteral("R1"))) << words.toStdString();
  EXPECT_TRUE(words.contains(QStringLiteral("mm")));
}

TEST_F(ShopsThings, aNewJobBeginsWithTheHouseRules) {
  edit([](Job& job) {
    job.saw.kerf = Length::um(2'700);
    job.costing.margin = 35;
  });
  QDialog* dialog = shop();
  click(dialog, QStringLiteral("Keep as house rules"));
  settleStore();
  EXPECT_TRUE(textOf(dialog, QStringLiteral("House rules")).contains(QStringLiteral("goes by")));
  dialog->accept();
  session().openNew(Unit::Millimetre);
  EXPECT_EQ(job().saw.kerf, Length::um(2'700));
  EXPECT_EQ(job().costing.margin, 35);
  EXPECT_TRUE(job().assemblies.empty());
  edit([](Job& job) { job.saw.kerf = Length::mm(3); });
  dialog = shop();
  EXPECT_TRUE(textOf(dialog, QStringLiteral("House rules"))
                  .contains(QStringLiteral("kerf 3 mm, the shop's 2.7 mm")))
      << textOf(dialog, QStringLiteral("House rules")).toStdString();
}

TEST_F(ShopsThings, whatIsMissingIsBoughtAndBookedIn) {
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("rack"));
  QDialog* dialog = buying();
  auto* table = named<QTableView>(dialog, QStringLiteral("Shopping list"));
  ASSERT_GT(table->model()->rowCount(), 0);
  enum { kNeed = 1, kThere = 3, kBuy = 5, kPrice = 7, kLot = 10 };
  EXPECT_TRUE(cell(table, 0, 0).startsWith(QStringLiteral("birch")))
      << cell(table, 0, 0).toStdString();
  const int sheets = cell(table, 0, kNeed).toInt();
  ASSERT_GT(sheets, 0);
  EXPECT_EQ(cell(table, 0, kBuy).toInt(), sheets);
  put(table, 0, kPrice, QStringLiteral("71.5"));
  put(table, 0, kLot, QStringLiteral("K9"));
  const QString file = path("list.csv");
  willChooseFile(file);
  click(dialog, QStringLiteral("Write the list"));
  ASSERT_TRUE(waitFor([&] { return QFile::exists(file); }));
  EXPECT_NE(readFile(file.toStdString())->find("sheet,"), std::string::npos);
  const QString page = path("list.pdf");
  willChooseFile(page);
  click(dialog, QStringLiteral("Write the page"));
  ASSERT_TRUE(waitFor([&] { return QFile::exists(page); }));
  EXPECT_EQ(readFile(page.toStdString())->substr(0, 5), "%PDF-");
  click(dialog, QStringLiteral("Book what is ticked into the shop"));
  settleStore();
  ASSERT_FALSE(rack().empty());
  EXPECT_EQ(rack()[0].piece.count, sheets);
  EXPECT_EQ(rack()[0].piece.lot, "K9");
  EXPECT_EQ(rack()[0].piece.price, Money::tenThousandths(715'000));
  EXPECT_TRUE(waitFor([&] { return cell(table, 0, kBuy).toInt() == 0; })) << "all is there";
  EXPECT_EQ(cell(table, 0, kThere).toInt(), sheets);
  EXPECT_TRUE(textOf(dialog, QStringLiteral("To be spent")).startsWith(QStringLiteral("0.00")));
  press(Qt::Key_Z, Qt::ControlModifier);
  settleStore();
  EXPECT_TRUE(rack().empty());
  EXPECT_TRUE(waitFor([&] { return cell(table, 0, kBuy).toInt() == sheets; }));
}

TEST_F(ShopsThings, theCostFollowsWhatIsTyped) {
  ASSERT_TRUE(planned());
  window_->showStage(QStringLiteral("rack"));
  QDialog* dialog = buying();
  named<QSpinBox>(dialog, QStringLiteral("Hours of work"))->setValue(10);
  auto* rate = named<QLineEdit>(dialog, QStringLiteral("Rate of an hour"));
  rate->setFocus();
  rate->selectAll();
  test::type(QStringLiteral("42"));
  QTest::keyClick(rate, Qt::Key_Return);
  named<QSpinBox>(dialog, QStringLiteral("Margin"))->setValue(25);
  test::settle();
  EXPECT_EQ(job().costing.minutes, 600);
  EXPECT_EQ(job().costing.rate, Money::whole(42));
  EXPECT_TRUE(waitFor([&] {
    return textOf(dialog, QStringLiteral("Cost, line by line")).contains(QStringLiteral("420.00"));
  }));
  const JobCost cost = costOf(job(), session().wants(), session().openWork(), {});
  EXPECT_GT(cost.used, Money::whole(420));
  EXPECT_TRUE(textOf(dialog, QStringLiteral("Price"))
                  .startsWith(QStringLiteral("Price with the margin: ") +
                              QString::fromStdString(format(cost.price))));
  session().undo();
  EXPECT_EQ(job().costing.margin, 0);
}

// A job that is saved says what it needs; another one's list counts it in, until it is forgotten.
TEST_F(ShopsThings, allJobsAreOnOneList) {
  putThere(0);
  ASSERT_TRUE(planned());
  ASSERT_FALSE(session().save(path()));
  settleStore();
  ASSERT_EQ(store().wants()->size(), 1U);
  const QString name = QString::fromStdString(job().name);
  ASSERT_TRUE(window_->openDemo(QStringLiteral("log-wall")));
  window_->showStage(QStringLiteral("rack"));
  settleStore();
  ASSERT_FALSE(view()->places().empty());
  test::clickAt(view(), view()->places()[0].face.center());
  EXPECT_TRUE(textOf(window_.get(), QStringLiteral("The piece that is chosen")).contains(name));
  QDialog* dialog = buying();
  auto* table = named<QTableView>(dialog, QStringLiteral("Shopping list"));
  const auto forOther = [&] {
    for (int row = 0; row < table->model()->rowCount(); ++row)
      if (cell(table, row, 11).contains(name)) return true;
    return false;
  };
  EXPECT_FALSE(forOther());
  named<QComboBox>(dialog, QStringLiteral("For which jobs"))->setCurrentIndex(1);
  EXPECT_TRUE(waitFor(forOther));
  click(dialog, QStringLiteral("Forget what a job needs"));
  auto* list = named<QListWidget>(dialog, QStringLiteral("Jobs that need something"));
  ASSERT_NE(list, nullptr);
  list->setCurrentRow(0);
  click(dialog, QStringLiteral("Forget it"));
  settleStore();
  EXPECT_TRUE(waitFor([&] { return !forOther(); }));
  EXPECT_TRUE(store().wants()->empty());
}

TEST_F(ShopsThings, aSizeIsSoughtInTheRack) {
  for (int row = 0; row < static_cast<int>(job().stock.size()); ++row) putThere(row);
  const std::size_t all = rack().size();
  auto* search = named<QLineEdit>(window_.get(), QStringLiteral("Search the rack"));
  search->setText(QStringLiteral("2000 x 1000"));
  std::size_t large = 0;
  for (const RackRow& row : rack())
    if (std::max(row.piece.length, row.piece.width) >= Length::mm(2'000) &&
        std::min(row.piece.length, row.piece.width) >= Length::mm(1'000))
      ++large;
  EXPECT_EQ(view()->places().size(), large);
  EXPECT_LT(large, all);
  search->setText(QStringLiteral("9000x10"));
  EXPECT_TRUE(view()->places().empty());
}

}  // namespace
}  // namespace pp::store_test

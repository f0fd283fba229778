// Bench: what is done to the pieces that are cut, a leaf for each kind of work; one step large, to
// be read from two metres and worked by keys or with gloves.
#pragma once

#include "app/stages/bench/bench_page.h"
#include "app/stages/bench/bench_view.h"
#include "app/stages/bench/step_list.h"
#include "app/stages/step_stage.h"

namespace pp {

class BenchStage : public StepStage {
  Q_OBJECT
 public:
  explicit BenchStage(Session& session, QWidget* parent = nullptr);
  QString title() const override { return tr("Bench"); }
  // Steps of pieces that are cut, in the leaves that they go through one by one.
  int openCount() const override;
  std::vector<KeyHelp> keys() const override;

 protected:
  void showEvent(QShowEvent* event) override;
  void refresh() override;
  void done() override;
  void back() override;
  void showStep() override;
  std::size_t steps() const override;
  std::optional<std::size_t> nextStep() const override;
  std::optional<std::size_t> find(const std::string& words) const override;
  std::string whatIsFound() const override;

 private:
  QLayout* makeHead();
  QLayout* makeStep();
  // What the leaves are made of is another when other pieces come to the bench: another plan, a
  // piece spoiled, a spare, another job. A cut alone changes none of it.
  void follow() const;
  // Made when it is asked for.
  const BenchPage& page(std::size_t which) const;
  const BenchPage& page() const { return page(shown_); }
  const bench::Worklist& list() const { return page().list(); }
  void showPage(std::size_t page);
  void showList();
  void showWords(const bench::Worklist::Step& step);
  void allHere();
  void test();
  void wentWrong();
  void goTo(std::size_t group, std::optional<std::size_t> work);
  void showChanges(const bench::Worklist::Step& step);
  void take(const Change& change);
  void press(const QKeySequence& key);
  void askReading();
  void askSample(const bench::Sample& sample);
  // A setting of the shop's, whatever job it was for; undo in the Rack takes it back.
  void keep(const QString& what, const char* setting, std::string after, std::string before);
  // A step of a group in the place of another of it, and looked at there.
  void move(std::size_t group, std::size_t from, std::size_t to);
  void moveBy(int by);
  const floor::Progress& progress() const { return session().floor().progress(); }
  const Event* last() const;
  void noted(std::vector<Event> events);

  std::vector<LeafKind> kinds_;
  std::vector<QPushButton*> choices_;
  std::size_t shown_ = 0;
  Label* progress_;
  QListWidget* groups_;
  StepList* order_;  // of the group that is shown, where the maker may have another
  Label* remark_;
  Label* with_;
  Label* figure_;
  Label* other_;
  Label* what_;
  Label* piece_;
  Label* how_;
  Label* first_;
  Label* caution_;
  BenchView* view_;
  QPushButton* all_;
  QPushButton* test_;
  QPushButton* wrong_;
  QPushButton* reading_;
  std::vector<QPushButton*> changes_;                      // as many as a step has at most
  mutable std::vector<std::unique_ptr<BenchPage>> pages_;  // null: not made yet
  mutable std::vector<bench::Pieces> pieces_;              // that they are made of
  mutable std::vector<std::int64_t> of_;                   // what they were made of
  mutable bool jobChanged_ = true;
  std::vector<std::size_t> from_;  // by leaf, where the next is looked for: after the last done
};

}  // namespace pp

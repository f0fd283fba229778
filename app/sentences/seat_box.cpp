#include "app/sentences/degrees.h"
#include "app/sentences/writer.h"

namespace pp {
namespace {

class SeatBoxWriter : public SentenceWriter<SeatBox> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The bench is"));
    length(tr("width"), &SeatBox::width);
    say(tr("wide,"));
    length(tr("height"), &SeatBox::height);
    say(tr("high to the top of its lids and"));
    length(tr("depth"), &SeatBox::depth);
    say(tr("deep, of"));
    material(tr("bench material"), &SeatBox::material);
    say(tr(". Its panels are"));
    choice<Joint>(tr("joint"), body_.joint, [](SeatBox& s, Joint i) { s.joint = i; });
    say(tr("."));
    box();
    top();
    back();
    round();
    return std::move(out_);
  }

 private:
  void box() {
    begin();
    say(tr("Its front"));
    choice(tr("toe"), {tr("goes down to the floor"), tr("stands over a toe")}, body_.toe ? 1 : 0,
           [](SeatBox& s, int i) {
             s.toe = i == 0 ? std::nullopt
                            : std::optional(s.toe.value_or(Toe{Length::mm(80), Length::mm(60)}));
           });
    if (body_.toe) {
      length(tr("toe height"), body_.toe->height, [](SeatBox& s, Length l) { s.toe->height = l; });
      say(tr("high and"));
      length(tr("toe depth"), body_.toe->depth, [](SeatBox& s, Length l) { s.toe->depth = l; });
      say(tr("deep"));
    }
    say(tr(". The box, but not the seat, keeps"));
    length(tr("clear on the left"), &SeatBox::clearLeft);
    say(tr("clear on the left and"));
    length(tr("clear on the right"), &SeatBox::clearRight);
    say(tr("on the right. Posts in its corners:"));
    material(tr("post material"), &SeatBox::postMaterial, tr("none"));
    if (!body_.postMaterial.empty()) {
      length(tr("post width"), &SeatBox::post);
      say(tr("wide"));
    }
    say(tr(". It is carried"));
    choice(tr("sections"), {tr("in one piece"), tr("in sections of at most")},
           body_.longest > Length{} ? 1 : 0,
           [](SeatBox& s, int i) { s.longest = i == 0 ? Length{} : s.width / 2; });
    if (body_.longest > Length{}) length(tr("longest section"), &SeatBox::longest);
    say(tr("."));
  }

  void top() {
    begin();
    say(tr("It has"));
    count(tr("number of lids"), &SeatBox::lids, 1, 10);
    choice<SeatTop>(tr("lids or hatches"), body_.seat, [](SeatBox& s, SeatTop t) { s.seat = t; });
    say(tr("with"));
    length(tr("lid gap"), &SeatBox::lidGap);
    say(tr("round them, before a hinge rail"));
    length(tr("hinge rail"), &SeatBox::hingeRail);
    say(tr("deep,"));
    choice(tr("lid hinges"), {said(LidHinge::Butt), said(LidHinge::Continuous)},
           body_.hinge == LidHinge::Butt ? 0 : 1,
           [](SeatBox& s, int i) { s.hinge = i == 0 ? LidHinge::Butt : LidHinge::Continuous; });
    say(tr("with"));
    ownLength(tr("knuckle gap"), body_.knuckle, tr("the same gap"),
              [](SeatBox& s, std::optional<Length> own) { s.knuckle = own; });
    say(tr("behind them, hanging over"));
    length(tr("front overhang"), &SeatBox::overFront);
    say(tr("in front, with"));
    banding(tr("lid banding"), body_.banding,
            [](SeatBox& s, const std::string& id) { s.banding = id; });
    say(tr("on the edges that are seen."));
    if (body_.seat == SeatTop::Lids) return;
    say(tr("The frame round them is"));
    length(tr("hatch frame"), &SeatBox::hatchFrame);
    say(tr("wide; they lie on ledges by"));
    length(tr("hatch ledge"), &SeatBox::ledge);
    say(tr("at front and rear."));
  }

  void round() {
    begin();
    say(tr("The bench"));
    choice<SeatReturn>(tr("second bench"), body_.turn,
                       [](SeatBox& s, SeatReturn t) { s.turn = t; });
    if (body_.turn != SeatReturn::None) {
      say(tr(", as deep and high, for"));
      length(tr("second bench length"), &SeatBox::turnLength);
      say(tr("with"));
      count(tr("lids of the second bench"), &SeatBox::turnLids, 1, 10);
      say(tr("lids or hatches"));
      yesNo(tr("back of the second bench"), tr("and no back"), tr("and the same back"),
            &SeatBox::turnBack);
    }
    say(tr("."));
  }

  void back() {
    begin();
    say(tr("A back"));
    length(tr("back height"), &SeatBox::backHeight);
    say(tr("high leans"));
    typedList(tr("lean"), degreesText(body_.lean), [](SeatBox& s, const QString& text) {
      return setDegrees(text, [&s](Angle a) { s.lean = a; });
    });
    say(tr("on brackets"));
    length(tr("bracket top"), &SeatBox::bracketTop);
    say(tr("wide above, behind it"));
    choice(tr("storage behind the back"), {tr("nothing"), tr("storage with shelves:")},
           body_.storage ? 1 : 0, [](SeatBox& s, int i) {
             s.storage = i == 0 ? std::nullopt : std::optional(s.storage.value_or(1));
           });
    if (body_.storage)
      count(tr("shelves behind the back"), *body_.storage, 0, 10,
            [](SeatBox& s, int n) { s.storage = n; });
    say(tr(". At the foot of the wall the bench"));
    choice(tr("batten"), {tr("stands clear"), tr("is notched over a batten")}, body_.batten ? 1 : 0,
           [](SeatBox& s, int i) {
             if (i == 0)
               s.batten.reset();
             else if (!s.batten)
               s.batten = Baseboard{Length::mm(20), Length::mm(40)};
           });
    if (body_.batten) {
      length(tr("batten thickness"), body_.batten->thickness,
             [](SeatBox& s, Length l) { s.batten->thickness = l; });
      say(tr("by"));
      length(tr("batten height"), body_.batten->height,
             [](SeatBox& s, Length l) { s.batten->height = l; });
    }
    say(tr("."));
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const SeatBox& of) {
  return SeatBoxWriter(in.job, of).run();
}

template <>
QString remark(const SeatBox& /*of*/) {
  return QObject::tr("Lids want a stay, and finger room at the front.");
}

}  // namespace pp

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
    begin();
    say(tr("It has"));
    count(tr("number of lids"), &SeatBox::lids, 1, 10);
    say(tr("lids with"));
    length(tr("lid gap"), &SeatBox::lidGap);
    say(tr("between them, hinged to a rail"));
    length(tr("hinge rail"), &SeatBox::hingeRail);
    say(tr("deep, hanging over"));
    length(tr("front overhang"), &SeatBox::overFront);
    say(tr("in front, with"));
    banding(tr("lid banding"), body_.banding,
            [](SeatBox& s, const std::string& id) { s.banding = id; });
    say(tr("on their edges."));
    begin();
    say(tr("A back"));
    length(tr("back height"), &SeatBox::backHeight);
    say(tr("high leans"));
    typedList(tr("lean"), degreesText(body_.lean), [](SeatBox& s, const QString& text) {
      return setDegrees(text, [&s](Angle a) { s.lean = a; });
    });
    say(tr("on brackets"));
    length(tr("bracket top"), &SeatBox::bracketTop);
    say(tr("wide above. At the foot of the wall it"));
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
    return std::move(out_);
  }
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const SeatBox& of) {
  return SeatBoxWriter(in.job, of).run();
}

QString remark(const SeatBox& /*of*/) {
  return QObject::tr("Lids want a stay, and finger room at the front.");
}

}  // namespace pp

#include "app/sentences/writer.h"

namespace pp {
namespace {

class BoxSetWriter : public SentenceWriter<BoxSet> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("These are"));
    count(tr("number of boxes"), &BoxSet::count, 1, 200);
    choice<BankKind>(tr("kind of box"), body_.what, [](BoxSet& b, BankKind i) { b.what = i; });
    say(tr("by themselves, and"));
    count(tr("spares"), &BoxSet::spares, 0, 50);
    say(tr("spare. Each is"));
    length(tr("width"), &BoxSet::width);
    say(tr("wide,"));
    length(tr("depth"), &BoxSet::depth);
    say(tr("deep and"));
    length(tr("height"), &BoxSet::height);
    say(tr("high,"));
    yesNo(tr("sizes"), tr("measured outside"), tr("measured inside"), &BoxSet::inside);
    say(tr("."));
    begin();
    say(tr("They are of"));
    material(tr("box material"), body_.boxes.boxMaterial,
             [](BoxSet& b, const std::string& id) { b.boxes.boxMaterial = id; });
    say(tr("with bottoms of"));
    material(tr("box bottom material"), body_.boxes.bottomMaterial,
             [](BoxSet& b, const std::string& id) { b.boxes.bottomMaterial = id; });
    say(tr(":"));
    choice<DrawerSchool>(tr("box school"), body_.boxes.school,
                         [](BoxSet& b, DrawerSchool i) { b.boxes.school = i; });
    say(tr("."));
    if (body_.boxes.school != DrawerSchool::Brads) grooves();
    return std::move(out_);
  }

 private:
  void rule(const QString& name, Length DrawerRules::*field) {
    length(name, body_.boxes.*field, [field](BoxSet& b, Length l) { b.boxes.*field = l; });
  }

  void grooves() {
    say(tr("The bottom's grooves are"));
    rule(tr("groove depth"), &DrawerRules::grooveDepth);
    say(tr("deep,"));
    rule(tr("groove height"), &DrawerRules::grooveUp);
    say(tr("up; it is"));
    rule(tr("bottom clearance"), &DrawerRules::bottomClearance);
    say(tr("smaller in all."));
    if (body_.boxes.school != DrawerSchool::RabbetedFront) return;
    say(tr("The front's rabbets are"));
    rule(tr("front's rabbet depth"), &DrawerRules::frontRabbet);
    say(tr("deep, the back is in dados"));
    rule(tr("back dado depth"), &DrawerRules::backDado);
    say(tr("deep and set in"));
    rule(tr("back set-in"), &DrawerRules::backSetIn);
    say(tr("."));
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const BoxSet& of) {
  return BoxSetWriter(in.job, of).run();
}

template <>
QString remark(const BoxSet& of) {
  return of.count + of.spares > 1
             ? QObject::tr("Equal parts of all %1 stay on one setting.").arg(of.count + of.spares)
             : QString();
}

}  // namespace pp

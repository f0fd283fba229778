// The sentence about a worktop, also of the one that lies on a group.
#pragma once

#include "app/sentences/writer.h"

namespace pp {

class TopWriter : public SentenceWriter<Top> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The top covers a run"));
    length(tr("width"), &Top::width);
    say(tr("wide and"));
    length(tr("depth"), &Top::depth);
    say(tr("deep."));
    shape();
    return std::move(out_);
  }

  // All but the run it covers.
  std::vector<Paragraph> shape() {
    begin();
    say(tr("It hangs over"));
    length(tr("left overhang"), &Top::overLeft);
    say(tr("left,"));
    length(tr("right overhang"), &Top::overRight);
    say(tr("right,"));
    length(tr("front overhang"), &Top::overFront);
    say(tr("in front and"));
    length(tr("rear overhang"), &Top::overBack);
    say(tr("behind."));
    begin();
    say(tr("It is"));
    choice<TopBuild>(tr("top build"), body_.build, [](Top& t, TopBuild i) { t.build = i; });
    say(tr("of"));
    material(tr("top material"), &Top::material);
    if (body_.build == TopBuild::GluedUp) {
      say(tr(", each at most"));
      length(tr("planed strip"), &Top::glueStrip);
      say(tr("wide when planed, rough"));
      length(tr("planing"), &Top::planing);
      say(tr("larger"));
    } else if (body_.build == TopBuild::Laminated) {
      say(tr("in"));
      count(tr("layers"), &Top::layers, 2, 8);
      say(tr("layers, over"));
      material(tr("lower material"), &Top::lowerMaterial, tr("the same"));
      say(tr(", which is cut"));
      length(tr("oversize"), &Top::oversize);
      say(tr("over and flush-trimmed"));
    } else {
      say(tr(", strips"));
      length(tr("strip width"), &Top::strip);
      say(tr("wide, across every"));
      length(tr("strip spacing"), &Top::stripEvery);
    }
    say(tr(". No piece is longer than"));
    length(tr("longest sheet"), &Top::longest);
    say(body_.longest == Length{} ? tr(", which is what the rack gives.") : tr("."));
    begin();
    say(tr("Its edging is"));
    material(tr("edging material"), &Top::edgingMaterial, tr("left out"));
    if (body_.edgingMaterial.empty()) {
      say(tr("."));
      return out_;
    }
    length(tr("edging thickness"), &Top::edging);
    say(tr("thick with"));
    choice<EdgingCorner>(tr("edging corners"), body_.corner,
                         [](Top& t, EdgingCorner i) { t.corner = i; });
    say(tr("; front"));
    yesNo(tr("front edging"), tr("bare"), tr("edged"), &Top::edgeFront);
    say(tr(", left"));
    yesNo(tr("left edging"), tr("bare"), tr("edged"), &Top::edgeLeft);
    say(tr(", right"));
    yesNo(tr("right edging"), tr("bare"), tr("edged"), &Top::edgeRight);
    say(tr(", rear"));
    yesNo(tr("rear edging"), tr("bare"), tr("edged"), &Top::edgeBack);
    say(tr(". It stands"));
    length(tr("edging proud"), &Top::proud);
    say(tr("above the top and hangs"));
    length(tr("edging below"), &Top::below);
    say(tr("below it."));
    return out_;
  }
};

}  // namespace pp

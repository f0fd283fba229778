// The command line tool as a process: what it writes, says and returns.
#include <gtest/gtest.h>
#include <sys/wait.h>

#include <array>
#include <cstdio>
#include <filesystem>
#include <nlohmann/json.hpp>
#include <sstream>
#include <vector>

#include "core/formats/file.h"

namespace pp {
namespace {

struct Outcome {
  int status = -1;
  std::string output;  // standard output and error together
};

Outcome outcomeOf(const std::string& command) {
  Outcome out;
  FILE* pipe = popen((command + " 2>&1").c_str(), "r");
  std::array<char, 4096> buffer{};
  while (const std::size_t count = fread(buffer.data(), 1, buffer.size(), pipe))
    out.output.append(buffer.data(), count);
  out.status = WEXITSTATUS(pclose(pipe));
  return out;
}

Outcome run(const std::string& arguments) {
  return outcomeOf(std::string(CLI) + " " + arguments);
}

class Cli : public testing::Test {
 protected:
  void SetUp() override {
    folder_ =
        std::filesystem::temp_directory_path() / ("plainpatch-cli-" + std::to_string(getpid()));
    std::filesystem::create_directories(folder_);
  }
  void TearDown() override { std::filesystem::remove_all(folder_); }

  std::string at(const std::string& name) const { return (folder_ / name).string(); }
  std::string put(const std::string& name, const std::string& content) const {
    EXPECT_FALSE(writeFile(at(name), content).has_value());
    return at(name);
  }
  std::string nesting(const std::string& parts, const std::string& more) const {
    return "nest --parts " + put("parts.csv", parts) + " --stock " +
           put("stock.csv",
               "id,material,thickness,length,width,qty,price\nS,birch,18mm,2440mm,1220mm,2,50\n") +
           " --kerf 3.2mm --trim 6mm --steps 200 " + more;
  }

  std::filesystem::path folder_;
};

const std::string kHead = "code,qty,length,width,thickness,material\n";

TEST_F(Cli, fromTheDemoJobToACompletePlan) {
  const Outcome broken = run("breakdown " DEMO_DIR "/ringing-trolley.plainpatch --parts " +
                             at("p.csv") + " --stock " + at("s.csv") + " --banding " + at("b.csv"));
  EXPECT_EQ(broken.status, 0) << broken.output;
  EXPECT_EQ(broken.output, "19 different parts, 29 pieces\n");
  const std::string command = "nest --parts " + at("p.csv") + " --stock " + at("s.csv") +
                              " --banding " + at("b.csv") +
                              " --kerf 1/8in --trim 1/4in --steps 300 --out ";
  const Outcome first = run(command + at("one.json"));
  EXPECT_EQ(first.status, 0) << first.output;
  EXPECT_EQ(run(command + at("two.json")).status, 0);
  EXPECT_EQ(readFile(at("one.json")).value(), readFile(at("two.json")).value())
      << "the same steps, the same bytes";
  const auto plan = nlohmann::json::parse(readFile(at("one.json")).value());
  EXPECT_EQ(plan["format"], "plain-patch-plan");
  EXPECT_EQ(plan["status"], "complete");
  EXPECT_EQ(plan["totals"]["seconds"], 0);
  int placed = 0;
  for (const auto& sheet : plan["sheets"]) placed += static_cast<int>(sheet["placements"].size());
  EXPECT_EQ(placed, 29);
}

// Plays the written JSON back as another program would, from the text alone.
TEST_F(Cli, theWrittenCutsGiveTheWrittenPlacements) {
  ASSERT_EQ(run(nesting(kHead + "A,7,600mm,300mm,18mm,birch\nB,5,431.25mm,222mm,18mm,birch\n",
                        "--out " + at("o.json")))
                .status,
            0);
  const auto plan = nlohmann::json::parse(readFile(at("o.json")).value());
  struct Piece {
    double x, y, dx, dy;
  };
  std::map<std::string, Piece> bench;
  std::map<int, nlohmann::json> steps;
  for (const auto& sheet : plan["sheets"]) {
    bench["S" + std::to_string(sheet["index"].get<int>())] = {0, 0, sheet["length"],
                                                              sheet["width"]};
    for (const auto& cut : sheet["cuts"]) steps[cut["step"]] = cut;
  }
  EXPECT_EQ(static_cast<int>(steps.size()), plan["totals"]["cuts"]);
  const double kerf = plan["kerf"];
  for (const auto& [step, cut] : steps) {
    const Piece piece = bench.at(cut["piece"]);
    bench.erase(cut["piece"].get<std::string>());
    const bool rip = cut["direction"] == "rip";
    const double at = cut["at"];
    Piece low = piece;
    Piece high = piece;
    (rip ? low.dy : low.dx) = at;
    (rip ? high.dy : high.dx) -= at + kerf;
    (rip ? high.y : high.x) += at + kerf;
    if (!cut["gives"][0].is_null()) bench[cut["gives"][0]] = low;
    if (!cut["gives"][1].is_null()) bench[cut["gives"][1]] = high;
  }
  int found = 0;
  for (const auto& sheet : plan["sheets"])
    for (const auto& p : sheet["placements"])
      for (const auto& [name, piece] : bench)
        if (name.starts_with("S" + std::to_string(sheet["index"].get<int>()) + ".") &&
            std::abs(piece.x - p["x"].get<double>()) < 1e-6 &&
            std::abs(piece.y - p["y"].get<double>()) < 1e-6 &&
            std::abs(piece.dx - p["dx"].get<double>()) < 1e-6 &&
            std::abs(piece.dy - p["dy"].get<double>()) < 1e-6)
          ++found;
  EXPECT_EQ(found, 12);
}

TEST_F(Cli, exitStatusesAndMessages) {
  const Outcome partial =
      run(nesting(kHead + "A,1,600mm,300mm,18mm,birch\nlong,1,3000mm,300mm,18mm,birch\n",
                  "--out " + at("o.json")));
  EXPECT_EQ(partial.status, 3);
  EXPECT_NE(
      partial.output.find("long: 1 not placed: 572 mm longer than the nearest birch 18 mm (S"),
      std::string::npos)
      << partial.output;
  EXPECT_TRUE(std::filesystem::exists(at("o.json")));

  const Outcome bad =
      run(nesting(kHead + "A,1,wide,300mm,18mm,birch\n", "--out " + at("bad.json")));
  EXPECT_EQ(bad.status, 2);
  EXPECT_NE(bad.output.find("parts.csv, line 2, length: found 'wide', expected a length"),
            std::string::npos)
      << bad.output;
  EXPECT_FALSE(std::filesystem::exists(at("bad.json"))) << "nothing is written for refused input";

  EXPECT_EQ(run(nesting(kHead + "A,1,6mm,3mm,18mm,birch\n", "--out /no/such/folder/o.json")).status,
            2);
  EXPECT_EQ(run("nest --parts none.csv --stock none.csv --kerf 1/8in").status, 2);
  EXPECT_EQ(run(nesting(kHead + "A,1,6mm,3mm,18mm,birch\n", "--goal beauty")).status, 2);
  EXPECT_EQ(run(nesting(kHead + "A,1,6mm,3mm,18mm,birch\n", "--seconds nan")).status, 2);
  EXPECT_EQ(run("nest").status, 2);
  EXPECT_EQ(run("").status, 2);
  EXPECT_EQ(run("carve").status, 2);
  const Outcome help = run("--help");
  EXPECT_EQ(help.status, 0);
  for (const char* word : {"breakdown", "nest", "labels"})
    EXPECT_NE(help.output.find(word), std::string::npos);
  EXPECT_EQ(run("nest --help").status, 0);
}

// Nothing is written over what is read, nor two lists over each other.
TEST_F(Cli, whatIsReadIsNotWritten) {
  const std::string text = readFile(DEMO_DIR "/ringing-trolley.plainpatch").value();
  const std::string job = put("j.plainpatch", text);
  std::filesystem::create_hard_link(job, at("twin.plainpatch"));
  std::filesystem::create_symlink(job, at("link.plainpatch"));
  const std::string parts = kHead + "A,1,500mm,300mm,18mm,birch\n";
  for (const std::string& command :
       {"labels " + job + " --out " + job, "labels " + job + " --out " + at("twin.plainpatch"),
        "breakdown " + job + " --parts " + at("link.plainpatch"),
        "breakdown " + job + " --parts " + at("p.csv") + " --stock " + at("p.csv"),
        "breakdown " + job + " --parts " + at("p.csv") + " --stock " + folder_.string() +
            "/./p.csv",
        "picture " + job + " --assembly T1 --out " + job,
        nesting(parts, "--out " + at("parts.csv")), nesting(parts, "--out " + at("stock.csv"))}) {
    const Outcome refused = run(command);
    EXPECT_EQ(refused.status, 2) << command << refused.output;
    EXPECT_NE(refused.output.find("a file that "), std::string::npos) << refused.output;
    EXPECT_EQ(readFile(job).value(), text) << command;
    if (command.starts_with("nest")) {
      EXPECT_EQ(readFile(at("parts.csv")).value(), parts) << command;
    }
    EXPECT_FALSE(std::filesystem::exists(at("p.csv"))) << command;
  }
}

TEST_F(Cli, aBareKerfTakesTheUnitOption) {
  const std::string parts = kHead + "A,1,6mm,3mm,18mm,birch\n";
  EXPECT_EQ(run(nesting(parts, "--unit in --out " + at("o.json"))).status, 0);
  const std::string stock =
      put("s.csv", "id,material,thickness,length,width,qty\nS,birch,18mm,2440mm,1220mm,2\n");
  const std::string bare = "nest --parts " + put("p.csv", parts) + " --stock " + stock +
                           " --steps 1 --out " + at("o.json");
  EXPECT_EQ(run(bare + " --kerf 1/8").status, 2);
  EXPECT_EQ(run(bare + " --kerf 1/8 --unit in").status, 0);
  EXPECT_EQ(nlohmann::json::parse(readFile(at("o.json")).value())["kerf"], 3.175);
}

TEST_F(Cli, labelsForEveryPieceAndRefusals) {
  const Outcome good =
      run("labels " DEMO_DIR "/ringing-trolley.plainpatch --paper a4 --columns 2 --rows 4 --out " +
          at("l.pdf"));
  EXPECT_EQ(good.status, 0) << good.output;
  EXPECT_NE(good.output.find("29 labels"), std::string::npos);
  EXPECT_TRUE(readFile(at("l.pdf")).value().starts_with("%PDF"));
  const Outcome tight =
      run("labels " DEMO_DIR "/ringing-trolley.plainpatch --columns 10 --out " + at("x.pdf"));
  EXPECT_EQ(tight.status, 2);
  EXPECT_NE(tight.output.find("at least 40"), std::string::npos);
  EXPECT_EQ(run("labels none.plainpatch --out " + at("x.pdf")).status, 2);
  const Outcome broken =
      run("breakdown " + put("j.plainpatch", "{\"format\": 3}") + " --parts " + at("p.csv"));
  EXPECT_EQ(broken.status, 2);
  EXPECT_NE(broken.output.find("j.plainpatch, /format: found 3, expected text"), std::string::npos)
      << broken.output;
}

// Every list stands in the job's unit; the trolley's job is in inches.
TEST_F(Cli, hardwareAndFinishesAreListed) {
  ASSERT_EQ(run("breakdown " DEMO_DIR "/log-wall.plainpatch --hardware " + at("h.csv") +
                " --finishes " + at("f.csv"))
                .status,
            0);
  const std::string hardware = *readFile(at("h.csv"));
  EXPECT_EQ(hardware.substr(0, 37), "# unit: mm\nkind,name,length,qty\nslide");
  for (const char* line :
       {"\nhinge,cup hinge,,4\n", "\npin,shelf pin,,20\n", "\nslide,side slide 500,500mm,6\n"})
    EXPECT_NE(hardware.find(line), std::string::npos) << line;
  // Without what the walls hide and what is glued.
  EXPECT_EQ(*readFile(at("f.csv")), "finish,area\nclear,41.4399\npainted,3.6715\n");
}

// The bench as data; nothing is written over the job.
TEST_F(Cli, benchIsWrittenAsData) {
  const std::string job = DEMO_DIR "/specimen-console.plainpatch";
  ASSERT_EQ(run("bench " + job + " --out " + at("bench.json")).status, 0);
  const auto read = nlohmann::json::parse(*readFile(at("bench.json")));
  EXPECT_EQ(read["format"], "plain-patch-bench");
  EXPECT_EQ(read["units"][0]["name"], "S1, specimen console");
  for (const char* list : {"joints", "fittings", "units", "machining", "banding", "coats", "loads"})
    EXPECT_TRUE(read[list].is_array() && !read[list].empty()) << list;
  const std::string copy = put("own.plainpatch", *readFile(job));
  const Outcome over = run("bench " + copy + " --out " + copy);
  EXPECT_EQ(over.status, 2);
  EXPECT_EQ(*readFile(copy), *readFile(job));
}

// Each page a PDF of its own; what is no page, and a folder that is not there, is refused.
TEST_F(Cli, pagesArePrinted) {
  const std::string job = "pages " DEMO_DIR "/specimen-console.plainpatch --out ";
  const Outcome out = run(job + folder_.string() + " --page assembly,cutting,shopping --steps 50");
  ASSERT_EQ(out.status, 0) << out.output;
  for (const char* page : {"assembly.pdf", "cutting.pdf", "shopping.pdf"})
    EXPECT_EQ(readFile(at(page)).value().substr(0, 5), "%PDF-") << page;
  const Outcome unknown = run(job + folder_.string() + " --page assembly,poem");
  EXPECT_EQ(unknown.status, 2);
  EXPECT_NE(unknown.output.find("poem"), std::string::npos);
  EXPECT_EQ(run(job + at("nowhere") + " --page assembly").status, 2);
}

TEST_F(Cli, breakdownWritesEachListThatIsAskedFor) {
  const Outcome out =
      run("breakdown " DEMO_DIR "/ringing-trolley.plainpatch --lumber " + at("l.csv") +
          " --machining " + at("m.csv") + " --edges " + at("e.csv") + " --bought " + at("b.csv"));
  ASSERT_EQ(out.status, 0) << out.output;
  const auto lines = [this](const std::string& name) {
    std::vector<std::string> rows;
    std::istringstream in(readFile(at(name)).value());
    for (std::string line; std::getline(in, line);) rows.push_back(line);
    return rows;
  };
  for (const auto& [name, header] :
       {std::pair{"l.csv",
                  "code,name,assembly,qty,length,width,thickness,material,finish,note,"
                  "finished_length,finished_width"},
        {"m.csv",
         "code,assembly,qty,hand,kind,face,receives,from,distance,width,depth,angle,"
         "begin,end,through,count,pitch,radius,x_begin,x_end,y_begin,y_end,offset,both_faces,"
         "assembled"},
        {"e.csv", "code,assembly,qty,edge,looks,length,banding"},
        {"b.csv", "name,qty,price,material,length,width,note"}}) {
    const auto rows = lines(name);
    ASSERT_GE(rows.size(), 2U) << name;
    EXPECT_EQ(rows[0], "# unit: in") << name;
    EXPECT_EQ(rows[1], header) << name;
  }
  EXPECT_EQ(lines("l.csv").size(), 2U) << "the trolley has no lumber";
  EXPECT_EQ(lines("m.csv")[2],
            "T1-01,T1,1,left,rabbet,inside,back,l2,0,7/32,3/8,,0,28,yes,,,,0,28,19 25/32,20,,,");
  EXPECT_EQ(lines("e.csv")[2], "T1-01,T1,1,l1,front,28,birch edging");
  EXPECT_EQ(lines("b.csv")[2], "\"caster, swivel, 4 in\",4,9.50,,,,");
  EXPECT_EQ(run("breakdown " DEMO_DIR "/ringing-trolley.plainpatch").status, 2) << "no list";
}

TEST_F(Cli, aJobWithoutBandingsCanBeNestedFromItsOwnLists) {
  auto job = nlohmann::ordered_json::parse(readFile(DEMO_DIR "/porthole.plainpatch").value());
  job.erase("bandings");
  ASSERT_EQ(run("breakdown " + put("j.plainpatch", job.dump()) + " --parts " + at("p.csv") +
                " --stock " + at("s.csv") + " --banding " + at("b.csv"))
                .status,
            0);
  const Outcome nested =
      run("nest --parts " + at("p.csv") + " --stock " + at("s.csv") + " --banding " + at("b.csv") +
          " --kerf 3mm --trim 6mm --steps 50 --out " + at("o.json"));
  EXPECT_EQ(nested.status, 0) << nested.output;
}

TEST_F(Cli, labelsOfWhatCannotBeBuiltNameFileAndAssembly) {
  std::string text = readFile(DEMO_DIR "/porthole.plainpatch").value();
  auto job = nlohmann::ordered_json::parse(text);
  const std::string code = job["assemblies"][0]["code"];
  job["assemblies"][0]["ring"]["side"] = 5;
  const Outcome out = run("labels " + put("j.plainpatch", job.dump()) + " --out " + at("l.pdf"));
  EXPECT_EQ(out.status, 2);
  EXPECT_NE(out.output.find("j.plainpatch, assembly " + code), std::string::npos) << out.output;
}

TEST(WindowProgram, saysItsHelpAndVersionWithoutADisplay) {
  const auto said = [](const std::string& option) {
    return outcomeOf("DISPLAY= WAYLAND_DISPLAY= QT_QPA_PLATFORM=xcb " WINDOW " " + option);
  };
  EXPECT_EQ(said("--version").status, 0);
  EXPECT_NE(said("--version").output.find("Plain Patch "), std::string::npos);
  EXPECT_EQ(said("--help").status, 0);
  EXPECT_NE(said("--help").output.find("lay-out"), std::string::npos);
}

TEST_F(Cli, theSecondLookSaysWhatItFindsAndWhetherItStops) {
  const std::string trolley = std::string(DEMO_DIR) + "/ringing-trolley.plainpatch";
  Outcome out = run("look " + trolley + " --json");
  EXPECT_EQ(out.status, 0) << out.output;
  const auto calm = nlohmann::json::parse(out.output);
  for (const auto& one : calm) EXPECT_NE(one.at("severity"), "stop") << one;
  // Sheets no part of the case fits on.
  auto job = nlohmann::ordered_json::parse(readFile(trolley).value());
  for (auto& sheet : job["stock"]) sheet["length"] = sheet["width"] = 300;
  const std::string small = put("small.plainpatch", job.dump());
  out = run("look " + small + " --json");
  EXPECT_EQ(out.status, 4) << out.output;
  const auto found = nlohmann::json::parse(out.output);
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].at("severity"), "stop");
  EXPECT_FALSE(found[0].at("why").get<std::string>().empty());
  out = run("look " + small);
  EXPECT_EQ(out.status, 4);
  EXPECT_EQ(out.output.substr(0, 6), "stop: ");
  EXPECT_EQ(run("look " + at("nowhere.plainpatch")).status, 2);
}

TEST_F(Cli, floorSaysWhatIsAtTheSaw) {
  const std::string demo = std::string(DEMO_DIR) + "/log-wall-at-the-saw.plainpatch";
  const Outcome out = run("floor " + demo + " --json");
  ASSERT_EQ(out.status, 0) << out.output;
  const auto json = nlohmann::json::parse(out.output);
  ASSERT_EQ(json["cuttings"].size(), 1U);
  const auto& cutting = json["cuttings"][0];
  EXPECT_EQ(cutting["plan"], 2);
  EXPECT_TRUE(json["ignored"].empty());
  std::int64_t spoiled = 0;
  for (const auto& part : cutting["parts"]) {
    EXPECT_EQ(part["good"].get<int>() + part["toDo"].get<int>() + part["missing"].get<int>(),
              part["wanted"].get<int>())
        << part["code"];
    spoiled += part["spoiled"].get<int>();
  }
  EXPECT_EQ(spoiled, 1);
  // To the square millimetre, rounded each by itself.
  for (const auto& sheet : cutting["sheets"]) {
    std::int64_t sum = 0;
    for (const char* what :
         {"parts", "spoiled", "leftovers", "toCut", "waste", "kerf", "otherwise"})
      sum += sheet[what].get<std::int64_t>();
    EXPECT_NEAR(static_cast<double>(sum), sheet["sheet"].get<double>(), 4) << sheet["name"];
  }
  EXPECT_NE(run("floor " + demo).output.find("cutting 1, plan 2:"), std::string::npos);
  const Outcome none = run("floor " + std::string(DEMO_DIR) + "/porthole.plainpatch");
  EXPECT_EQ(none.status, 0);
  EXPECT_EQ(none.output, "nothing was taken to the saw\n");
  EXPECT_EQ(run("floor " + at("nowhere.plainpatch")).status, 2);
}

TEST_F(Cli, theStoreIsFilledListedMovedAndChecked) {
  const std::string store = "store --store " + at("shop/shop.sqlite") + " ";
  EXPECT_EQ(run(store + "list").status, 2) << "looking makes no store";
  EXPECT_FALSE(std::filesystem::exists(at("shop")));
  Outcome out =
      run(store +
          "add --material birch --thickness '3/4 in' --length 2440 --width 48in --count 3 "
          "--place 'north wall' --price 62.50");
  EXPECT_EQ(out.status, 0) << out.output;
  EXPECT_EQ(out.output, "1\n");
  out = run(store +
            "add --kind offcut --material birch --thickness 19.05 --length 800 --width 400 --tag");
  EXPECT_EQ(out.output, "2\n");
  const std::string both =
      "1\t\tbirch 19.05\t2440 × 1219\t3 free of 3\tnorth wall\n"
      "2\tR1\tbirch 19.05\t800 × 400\t1 free of 1\t\n";
  EXPECT_EQ(run(store + "list").output, both);
  EXPECT_EQ(run(store + "list R1").output, both.substr(both.find("2\tR1")));
  out = run(store + "add --material birch --thickness 0 --length 9x --width 5 --price many");
  EXPECT_EQ(out.status, 2);
  EXPECT_NE(out.output.find("--length"), std::string::npos) << out.output;
  EXPECT_NE(out.output.find("--price"), std::string::npos) << out.output;
  // Nothing that a terminal would obey, no count that nobody has.
  for (const char* wrong : {"--count 99999999999", "--count 0", "--place '\x1b[31mred'",
                            "--lot 'a\u202eb'", "--note '\x07'"}) {
    out = run(store + "add --material birch --thickness 18 --length 800 --width 400 " + wrong);
    EXPECT_EQ(out.status, 2) << wrong;
    EXPECT_EQ(out.output.find('\x1b'), std::string::npos);
  }
  out = run(store + "add --material birch --thickness 18 --length 800 --width 400 --place " +
            std::string(10'000, 'x'));
  EXPECT_NE(out.output.find("10000 bytes"), std::string::npos) << out.output;
  EXPECT_EQ(run(store + "list").output, both);
  EXPECT_EQ(run(store + "export --out " + at("shop/shop.sqlite")).status, 2);
  EXPECT_EQ(run(store + "list").output, both);
  EXPECT_EQ(run(store + "export --out " + at("shop.json")).status, 0);
  const std::string other = "store --store " + at("other.sqlite") + " ";
  EXPECT_EQ(run(other + "import " + at("shop.json")).status, 0);
  EXPECT_EQ(run(other + "list").output, both);
  EXPECT_EQ(run(other + "export").output, readFile(at("shop.json")).value());
  EXPECT_EQ(run(other + "check").output, "nothing wrong\n");
  out = run(other + "import " + put("bad.json", "{\"format\": \"a recipe\", \"version\": 1}"));
  EXPECT_EQ(out.status, 2);
  EXPECT_EQ(run(other + "list").output, both) << "refused whole";
  out = run("store --store " + put("none.sqlite", "this is no store, though it is long enough") +
            " check");
  EXPECT_EQ(out.status, 2);
  EXPECT_NE(out.output.find("no store, or a broken one"), std::string::npos) << out.output;
}

}  // namespace
}  // namespace pp

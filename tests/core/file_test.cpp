// Files on the disk: what stands at a path before and after, whatever it is.
#include <gtest/gtest.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cstdlib>
#include <filesystem>
#include <fstream>

#include "core/formats/autosave.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/job/ids.h"
#include "tests/core/support.h"

namespace pp::file_test {
namespace {

namespace fs = std::filesystem;

class Files : public testing::Test {
 protected:
  void SetUp() override {
    std::string name = (fs::temp_directory_path() / "files-XXXXXX").string();
    ASSERT_NE(::mkdtemp(name.data()), nullptr);
    folder_ = name;
  }
  void TearDown() override { fs::remove_all(folder_); }
  std::string at(const char* name) const { return (folder_ / name).string(); }
  static mode_t modeOf(const std::string& path) {
    struct stat known {};
    return ::stat(path.c_str(), &known) == 0 ? known.st_mode & 07777 : 0;
  }
  std::size_t count() const {
    return static_cast<std::size_t>(
        std::distance(fs::directory_iterator(folder_), fs::directory_iterator()));
  }
  fs::path folder_;
};

TEST_F(Files, aNewFileHasTheUsualModeAndAReplacedOneKeepsItsOwn) {
  ASSERT_FALSE(writeFile(at("new"), "a").has_value());
  const mode_t mask = ::umask(0);
  ::umask(mask);
  EXPECT_EQ(modeOf(at("new")), 0666 & ~mask);
  ASSERT_FALSE(writeFile(at("private"), "a", Readable::ByOwnerOnly).has_value());
  EXPECT_EQ(modeOf(at("private")), 0600U);
  for (const mode_t mode : {0600U, 0640U, 0664U, 0755U}) {
    ::chmod(at("new").c_str(), mode);
    ASSERT_FALSE(writeFile(at("new"), "b").has_value());
    EXPECT_EQ(modeOf(at("new")), mode);
  }
}

TEST_F(Files, aSymbolicLinkStaysAndItsTargetIsWritten) {
  fs::create_directory(folder_ / "deep");
  ASSERT_FALSE(writeFile(at("deep/target"), "old").has_value());
  fs::create_symlink("deep/target", folder_ / "link");
  fs::create_symlink("link", folder_ / "second");
  ASSERT_FALSE(writeFile(at("second"), "new").has_value());
  EXPECT_TRUE(fs::is_symlink(folder_ / "link"));
  EXPECT_TRUE(fs::is_symlink(folder_ / "second"));
  EXPECT_EQ(readFile(at("deep/target")).value(), "new");
  EXPECT_EQ(targetOf(at("second")), at("deep/target"));
  // A link to what is not there yet makes it.
  fs::create_symlink("deep/later", folder_ / "dangling");
  ASSERT_FALSE(writeFile(at("dangling"), "made").has_value());
  EXPECT_EQ(readFile(at("deep/later")).value(), "made");
  fs::create_symlink("circle", folder_ / "circle");
  EXPECT_TRUE(writeFile(at("circle"), "x").has_value());
}

TEST_F(Files, namesUpToWhatADiskTakesAreWrittenAndLongerOnesSaid) {
  const std::string longest(255, 'n');
  ASSERT_FALSE(writeFile(at(longest.c_str()), "a").has_value());
  EXPECT_EQ(readFile(at(longest.c_str())).value(), "a");
  const std::string longer(256, 'n');
  const auto problem = writeFile(at(longer.c_str()), "a");
  ASSERT_TRUE(problem.has_value());
  EXPECT_EQ(problem->found, "a file name of 256 bytes");
  EXPECT_EQ(count(), 1U) << "nothing half is left";
}

TEST_F(Files, whatIsReadIsNotWrittenWhateverItIsCalled) {
  fs::create_directory(folder_ / "deep");
  ASSERT_FALSE(writeFile(at("a"), "a").has_value());
  ASSERT_FALSE(writeFile(at("b"), "b").has_value());
  fs::create_symlink("a", folder_ / "soft");
  fs::create_hard_link(folder_ / "a", folder_ / "hard");
  fs::create_directory_symlink("deep", folder_ / "door");
  const auto found = [](const std::vector<std::string>& read,
                        const std::vector<std::string>& written) {
    const Problems problems = wrongTargets(read, written);
    return problems.empty() ? std::string() : problems.front().found;
  };
  for (const char* name : {"a", "soft", "hard", "deep/../a"})
    EXPECT_EQ(found({at("a")}, {at("b"), at(name)}), "a file that is read too") << name;
  EXPECT_EQ(found({at("a")}, {at("b"), at("c"), ""}), "");
  EXPECT_EQ(found({}, {at("deep/new"), at("door/new")}),
            "a file that something else is written to");
  EXPECT_EQ(found({}, {at("soft"), at("hard")}), "a file that something else is written to");
  EXPECT_EQ(found({"/dev/null"}, {"/dev/null", "/dev/null"}), "") << "a device is no file";
  EXPECT_EQ(namesOf(at("soft")), 2);
  EXPECT_EQ(idOf(at("soft")), idOf(at("hard")));
  EXPECT_NE(idOf(at("a")), idOf(at("b")));
  EXPECT_EQ(idOf(at("none")), "");
}

TEST_F(Files, aDeviceIsWrittenAsItIsAndAFolderRefused) {
  EXPECT_FALSE(writeFile("/dev/null", "gone").has_value());
  EXPECT_TRUE(writeFile("/dev/full", "no room").has_value());
  EXPECT_FALSE(fs::is_regular_file("/dev/null"));
  const auto problem = writeFile(folder_.string(), "a");
  ASSERT_TRUE(problem.has_value());
  EXPECT_EQ(problem->found, "a folder");
  EXPECT_FALSE(readFile(folder_.string()).ok());
  EXPECT_FALSE(readFile("/dev/zero").ok()) << "what never ends is not read";
}

TEST_F(Files, allOfSeveralAreWrittenOrNone) {
  ASSERT_FALSE(writeFile(at("a"), "old").has_value());
  EXPECT_TRUE(writeFiles({{at("a"), "new"}, {at("no/such/folder"), "new"}}).has_value());
  EXPECT_EQ(readFile(at("a")).value(), "old");
  // The second cannot take the place of a folder.
  fs::create_directories(folder_ / "b" / "inside");
  EXPECT_TRUE(writeFiles({{at("a"), "new"}, {at("c"), "new"}, {at("b"), "new"}}).has_value());
  EXPECT_EQ(readFile(at("a")).value(), "old");
  EXPECT_FALSE(readFile(at("c")).ok());
  ASSERT_FALSE(writeFiles({{at("a"), "new"}, {at("c"), "new"}}).has_value());
  EXPECT_EQ(readFile(at("a")).value(), "new");
  EXPECT_EQ(readFile(at("c")).value(), "new");
  EXPECT_EQ(count(), 3U) << "no copy of what was replaced is left";
}

TEST_F(Files, whatADeadProcessLeftIsCleanedAndOthersAreNot) {
  std::array<char, 65> host{};
  ::gethostname(host.data(), host.size() - 1);
  std::string mine = host.data();
  for (char& c : mine)
    if (c == '-') c = '_';
  // No process has the highest number there is.
  const std::string dead = ".plainpatch-" + mine + "-4194303-abcdef";
  const std::string alive = ".plainpatch-" + mine + "-" + std::to_string(::getpid()) + "-abcdef";
  const std::string elsewhere = ".plainpatch-another_machine-4194303-abcdef";
  for (const std::string& name : {dead, alive, elsewhere, std::string("mine.plainpatch")})
    std::ofstream(folder_ / name) << "x";
  cleanLeftovers(folder_.string());
  EXPECT_FALSE(fs::exists(folder_ / dead));
  EXPECT_TRUE(fs::exists(folder_ / alive));
  EXPECT_TRUE(fs::exists(folder_ / elsewhere));
  EXPECT_TRUE(fs::exists(folder_ / "mine.plainpatch"));
}

TEST_F(Files, aStampTellsEveryOtherStateOfAFile) {
  EXPECT_FALSE(stampOf(at("a")).has_value());
  ASSERT_FALSE(writeFile(at("a"), "one").has_value());
  const auto first = stampOf(at("a"));
  ASSERT_TRUE(first.has_value());
  EXPECT_EQ(stampOf(at("a")), first);
  ASSERT_FALSE(writeFile(at("a"), "two").has_value());
  EXPECT_NE(stampOf(at("a")), first) << "of the same size";
}

TEST(AutosaveFile, isReadAsItWasWritten) {
  Autosave autosave;
  autosave.path = "/home/heron/log wall \"one\".plainpatch";
  autosave.saved = "2026-11-25T23:48:01";
  autosave.base = FileStamp{18'446'744'073'709'551'615U, 7, 1'764'114'481'123'456'789};
  autosave.job.name = "Log wall";
  giveIds(autosave.job);
  const std::string text = writeAutosave(autosave);
  const auto read = readAutosave("a", text);
  ASSERT_TRUE(read.ok());
  EXPECT_EQ(read->path, autosave.path);
  EXPECT_EQ(read->saved, autosave.saved);
  EXPECT_EQ(read->base, autosave.base);
  EXPECT_EQ(read->job, autosave.job);
  for (std::size_t size = 0; size + 1 < text.size(); ++size)
    EXPECT_FALSE(readAutosave("a", text.substr(0, size)).ok()) << "cut off after " << size;
}

}  // namespace
}  // namespace pp::file_test

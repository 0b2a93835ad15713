// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/rules/rules_station.h"

#include <QKeyEvent>
#include <QLabel>
#include <QShortcut>
#include <QVBoxLayout>
#include <algorithm>
#include <map>
#include <set>
#include <string_view>

#include "app/rules/rules_lexer.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/rules/completion.h"
#include "core/rules/rule_words.h"

namespace gorsefinch::app {

namespace {

constexpr int kSquiggle = 8, kRunsMargin = 1, kProblemStyle = 40, kRunsStyle = 41;

}  // namespace

RulesStation::RulesStation(Session& session, QWidget* parent)
    : Station(parent),
      session_(session),
      editor_(new QsciScintilla(this)),
      lexer_(new RulesLexer(editor_)),
      summary_(new QLabel(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(12, 8, 12, 8);
    summary_->setObjectName("rules_summary");
    auto* hint = new QLabel(tr("on widget.tap · on screen.enter · every 1 s while … · when … otherwise      "
                               "name = value · go · back · call · show · hide · toggle      Ctrl+Space completes"),
                            this);
    hint->setProperty("quiet", true);
    bar->addWidget(summary_);
    bar->addStretch(1);
    bar->addWidget(hint);
    column->addLayout(bar);
    auto* line = new QFrame(this);
    line->setProperty("rule", true);
    column->addWidget(line);
    makeEditor();
    setFocusProxy(editor_);
    column->addWidget(editor_, 1);
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.rules)
            showText();
        refresh();
        // In another project, writing goes on at the end; its beginning shows.
        if (change.opened) {
            const int last = editor_->lines() - 1;
            editor_->setCursorPosition(last, static_cast<int>(editor_->text(last).length()));
            editor_->setFirstVisibleLine(0);
        }
    });
    connect(&session.runner(), &TwinRunner::stepped, this, &RulesStation::showRuns);
}

void RulesStation::makeEditor() {
    editor_->setObjectName("rules_text");
    editor_->setAccessibleName(tr("Rules"));
    editor_->setFrameShape(QFrame::NoFrame);
    editor_->setUtf8(true);
    editor_->setLexer(lexer_);
    editor_->setMarginLineNumbers(0, true);
    editor_->setMarginWidth(0, 40);
    editor_->setMarginType(kRunsMargin, QsciScintilla::TextMarginRightJustified);
    editor_->setMarginWidth(kRunsMargin, 64);
    editor_->setMarginType(kRunsMargin + 1, QsciScintilla::SymbolMargin);
    editor_->setMarginMarkerMask(kRunsMargin + 1, 0);
    editor_->setMarginWidth(kRunsMargin + 1, 8);
    editor_->setIndentationsUseTabs(false);
    editor_->setTabWidth(4);
    editor_->setAutoIndent(true);
    editor_->setAnnotationDisplay(QsciScintilla::AnnotationIndented);
    editor_->indicatorDefine(QsciScintilla::SquiggleLowIndicator, kSquiggle);
    editor_->setAutoCompletionSource(QsciScintilla::AcsNone);
    editor_->setExtraAscent(2);
    editor_->setExtraDescent(2);
    editor_->SendScintilla(QsciScintilla::SCI_SETSCROLLWIDTHTRACKING, 1);
    editor_->SendScintilla(QsciScintilla::SCI_SETSCROLLWIDTH, 400);
    editor_->SendScintilla(QsciScintilla::SCI_AUTOCSETSEPARATOR, '\n');
    editor_->SendScintilla(QsciScintilla::SCI_AUTOCSETORDER, QsciScintilla::SC_ORDER_PERFORMSORT);
    // Undo belongs to the document, which holds every edit of the whole project.
    editor_->SendScintilla(QsciScintilla::SCI_SETUNDOCOLLECTION, 0UL);
    editor_->installEventFilter(this);
    takeTheme();
    connect(editor_, &QsciScintilla::textChanged, this, &RulesStation::edited);
    connect(editor_, &QsciScintilla::SCN_CHARADDED, this, [this](int c) {
        if (c == '.' || c == '"' || (c >= 'a' && c <= 'z'))
            complete();
    });
    auto* shortcut = new QShortcut(Qt::CTRL | Qt::Key_Space, editor_);
    shortcut->setContext(Qt::WidgetShortcut);
    connect(shortcut, &QShortcut::activated, this, &RulesStation::complete);
}

void RulesStation::takeTheme() {
    lexer_->takeTheme();
    editor_->setPaper(Theme::colour(Role::Field));
    editor_->setCaretForegroundColor(Theme::colour(Role::Text));
    editor_->setSelectionBackgroundColor(Theme::colour(Role::AccentSoft));
    editor_->resetSelectionForegroundColor();
    editor_->setSelectionForegroundColor(Theme::colour(Role::Text));
    editor_->setMarginsBackgroundColor(Theme::colour(Role::Surface));
    editor_->setMarginsForegroundColor(Theme::colour(Role::QuietText));
    QFont margin = Theme::figures();
    margin.setPointSizeF(8);
    editor_->setMarginsFont(margin);
    editor_->setIndicatorForegroundColor(Theme::colour(Role::Error), kSquiggle);
    editor_->setCaretLineVisible(true);
    editor_->setCaretLineBackgroundColor(Theme::colour(Role::Surface));
    const auto style = [&](int number, Role text, Role ground) {
        editor_->SendScintilla(QsciScintilla::SCI_STYLESETFORE, static_cast<unsigned long>(number),
                               Theme::colour(text));
        editor_->SendScintilla(QsciScintilla::SCI_STYLESETBACK, static_cast<unsigned long>(number),
                               Theme::colour(ground));
        editor_->SendScintilla(QsciScintilla::SCI_STYLESETFONT, static_cast<unsigned long>(number), "DejaVu Sans Mono");
        editor_->SendScintilla(QsciScintilla::SCI_STYLESETSIZE, static_cast<unsigned long>(number), 8L);
    };
    style(kProblemStyle, Role::Error, Role::ErrorGround);
    style(kRunsStyle, Role::Well, Role::Surface);
}

void RulesStation::showEvent(QShowEvent* event) {
    Station::showEvent(event);
    takeTheme();
    shownRuns_.clear();
    if (session_.isOpen())
        refresh();
    editor_->setFocus();
}

// The editor would keep these keys for itself; they belong to the window.
bool RulesStation::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const bool windows =
            (key->modifiers() & Qt::ControlModifier) != 0 && (key->key() == Qt::Key_Z || key->key() == Qt::Key_Y ||
                                                              key->key() == Qt::Key_S || key->key() == Qt::Key_Space);
        if (windows || (key->modifiers() & Qt::AltModifier) != 0) {
            event->ignore();
            return true;
        }
    }
    // A shortcut that nobody has writes no letter.
    if (event->type() == QEvent::KeyPress && (static_cast<QKeyEvent*>(event)->modifiers() & Qt::AltModifier) != 0) {
        event->ignore();
        return true;
    }
    return Station::eventFilter(watched, event);
}

QString RulesStation::ruleFile() const {
    const auto& files = *session_.document().rules;
    return files.empty() ? "main" : QString::fromStdString(files.front().name);
}

// As they are written: one about what is shown several times is compiled as several.
size_t RulesStation::ruleCount() const {
    std::set<std::pair<std::string_view, int>> written;
    for (const RuleSource& each : session_.scene()->rules->sources)
        written.emplace(each.file, each.line);
    return written.size();
}

QString RulesStation::figure() const { return QString::number(ruleCount()); }

void RulesStation::edited() {
    if (filling_ || !session_.isOpen())
        return;
    // What is typed in one line is one step for undo.
    int line = 0, column = 0;
    editor_->getCursorPosition(&line, &column);
    session_.edit(withRules(session_.document(), ruleFile().toStdString(), editor_->text().toStdString()),
                  tr("Edit rules"), QString("rules line %1").arg(line));
}

void RulesStation::showText() {
    if (!session_.isOpen())
        return;
    const auto& files = *session_.document().rules;
    const QString text = files.empty() ? QString() : QString::fromStdString(files.front().text);
    if (editor_->text() != text) {
        filling_ = true;
        int line = 0, column = 0;
        editor_->getCursorPosition(&line, &column);
        const int top = editor_->firstVisibleLine();
        editor_->setText(text);
        editor_->setCursorPosition(std::min(line, editor_->lines() - 1), column);
        editor_->setFirstVisibleLine(top);
        filling_ = false;
    }
}

void RulesStation::refresh() {
    if (!session_.isOpen())
        return;
    if (isVisible())
        showProblems();
    shownRuns_.clear();
    showRuns();
}

void RulesStation::showProblems() {
    const std::string file = "rules/" + ruleFile().toStdString() + ".rules";
    editor_->clearIndicatorRange(0, 0, editor_->lines() - 1, editor_->lineLength(editor_->lines() - 1), kSquiggle);
    editor_->clearAnnotations();
    QHash<int, QString> byLine;
    int errors = 0;
    for (const Problem& each : session_.scene()->rules->problems) {
        if (each.file != file || each.line < 1)
            continue;
        errors += each.severity == Severity::Error;
        QString& words = byLine[each.line - 1];
        words += (words.isEmpty() ? "" : "\n") +
                 QString::fromStdString(each.reason + (each.remedy.empty() ? "" : ". " + each.remedy));
        const int from = std::max(each.column - 1, 0);
        const QString line = editor_->text(each.line - 1);
        int to = from + 1;
        while (to < line.size() && (line[to].isLetterOrNumber() || line[to] == '_'))
            ++to;
        editor_->fillIndicatorRange(each.line - 1, from, each.line - 1, to, kSquiggle);
    }
    for (auto it = byLine.begin(); it != byLine.end(); ++it)
        editor_->annotate(it.key(), " " + it.value() + " ", kProblemStyle);
    const auto rules = ruleCount();
    const QString running = rules == 1 ? tr("1 rule runs") : tr("%1 rules run").arg(rules);
    summary_->setText(errors == 0   ? running
                      : errors == 1 ? tr("%1; 1 mistake keeps another from running").arg(running)
                                    : tr("%1; %2 mistakes keep others from running").arg(running).arg(errors));
    summary_->setStyleSheet(QString("color: %1").arg(Theme::colour(errors == 0 ? Role::Well : Role::Error).name()));
}

void RulesStation::showRuns() {
    if (!isVisible() || !session_.isOpen())
        return;
    const std::vector<int>& runs = session_.runner().twin().ruleRuns();
    if (runs == shownRuns_)
        return;
    shownRuns_ = runs;
    editor_->clearMarginText(-1);
    const auto& sources = session_.scene()->rules->sources;
    std::map<int, int> byLine;
    for (size_t i = 0; i < sources.size() && i < runs.size(); ++i)
        if (sources[i].file == ruleFile().toStdString() && runs[i] > 0)
            byLine[sources[i].line] += runs[i];
    for (const auto& [line, count] : byLine)
        editor_->setMarginText(line - 1, QString("ran %1").arg(count), kRunsStyle);
}

// What can follow; at the beginning of a word the words of the language, too.
QStringList RulesStation::completionsFor(const QString& before) const {
    const Document& document = session_.document();
    const std::string written = before.toStdString();
    const bool isHeader = before.startsWith("on ") && !before.contains(" while ");
    QStringList out;
    if (!before.section(' ', -1).contains('.') && before.count('"') % 2 == 0)
        for (const std::string& word : ruleKeywords())
            out << QString::fromStdString(word);
    for (const std::string& name : isHeader               ? namesInEvent(document, written)
                                   : before.contains('=') ? namesInExpression(document, written)
                                                          : namesInStatement(document, written))
        out << QString::fromStdString(name);
    return out;
}

void RulesStation::complete() {
    int line = 0, column = 0;
    editor_->getCursorPosition(&line, &column);
    const QString before = editor_->text(line).left(column);
    if (before.contains("//"))
        return;
    const std::string written = before.toStdString();
    const QString typed = QString::fromStdString(std::string(wordAtEnd(written)));
    QStringList fitting;
    for (const QString& each : completionsFor(before))
        if (each.startsWith(typed) && each != typed && !fitting.contains(each))
            fitting << each;
    if (fitting.isEmpty() ||
        (typed.size() < 2 && !before.endsWith('.') && !before.endsWith(' ') && before.count('"') % 2 == 0))
        return;
    editor_->SendScintilla(QsciScintilla::SCI_AUTOCSHOW, static_cast<unsigned long>(typed.toUtf8().size()),
                           fitting.join('\n').toUtf8().constData());
}

bool RulesStation::goTo(const Problem& problem) {
    if (problem.line < 1 || problem.file.rfind("rules/", 0) != 0)
        return false;
    editor_->setCursorPosition(problem.line - 1, std::max(problem.column - 1, 0));
    editor_->ensureLineVisible(problem.line - 1);
    editor_->setFocus();
    return true;
}

void RulesStation::addTapRule(const QString& widget) {
    int screens = 0;
    for (const ScreenRef& screen : session_.document().screens)
        screens += widgetIndex(*screen, widget.toStdString()) >= 0;
    const QString name = screens > 1 ? session_.selection().screenName() + "." + widget : widget;
    QString text = editor_->text();
    while (text.endsWith("\n\n"))
        text.chop(1);
    if (!text.isEmpty() && !text.endsWith('\n'))
        text += '\n';
    text += (text.isEmpty() ? "" : "\n") + QString("on %1.tap\n    ").arg(name);
    editor_->setText(text);
    editor_->setCursorPosition(editor_->lines() - 1, 4);
    editor_->setFocus();
}

}  // namespace gorsefinch::app

// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/references.h"
#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"

#include <algorithm>

#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

// Collects the references of a line; the last word of a line is always an End.
class ReferenceReader {
  public:
    explicit ReferenceReader(const std::vector<Token>& tokens) : tokens_(tokens) {}

    std::vector<Reference> line() {
        if (isAssignment(0))
            assignment(0);
        else if (at(0).is("on"))
            event();
        else if (at(0).is("every"))
            condition(3);  // behind a number and its unit
        else if (at(0).is("when"))
            expressionFrom(1);
        else
            statement(0);
        return std::move(found_);
    }

    std::vector<Reference> expression() {
        expressionFrom(0);
        return std::move(found_);
    }

  private:
    const Token& at(size_t i) const { return tokens_[std::min(i, tokens_.size() - 1)]; }

    void add(Reference::What what, size_t token, const std::string& owner = {}, bool orScreen = false) {
        if (at(token).type == TokenType::Name)
            found_.push_back({what, token, owner, orScreen});
    }

    // How many names with points between them begin at word i.
    size_t namesFrom(size_t i) const {
        size_t count = 0;
        while (at(i).type == TokenType::Name) {
            ++count;
            if (!at(i + 1).is("."))
                break;
            i += 2;
        }
        return count;
    }

    // [screen.]widget of so many names.
    void widgetPath(size_t i, size_t names) {
        if (names > 1) {
            add(Reference::What::Screen, i);
            add(Reference::What::Widget, i + 2, at(i).text);
        } else if (names == 1) {
            add(Reference::What::Widget, i);
        }
    }

    // What follows "on", and its condition.
    void event() {
        const size_t names = namesFrom(1);
        if (names == 2 && findEvent(screenEvents(), at(3).text))
            add(Reference::What::Screen, 1);
        // Swipes are events of screens and of widgets.
        else if (names == 2 && at(3).is(kSwipe)) {
            add(Reference::What::Screen, 1);
            add(Reference::What::Widget, 1, {}, true);
        } else if (names > 1)
            widgetPath(1, names - 1);
        condition(2 * names);
    }

    // What follows the first `while` behind word i.
    void condition(size_t i) {
        while (i + 1 < tokens_.size() && !at(i).is("while"))
            ++i;
        expressionFrom(i + 1);
    }

    bool isAssignment(size_t i) const { return at(i + 1).is("=") || at(i + 1).is(".") || at(i + 1).is("["); }

    // The statement that begins at word i.
    void statement(size_t i) {
        while (at(i).is("then") && !isAssignment(i))
            ++i;
        const Token& first = at(i);
        if (isAssignment(i))
            assignment(i);
        else if (first.is("go"))
            add(Reference::What::Screen, i + 1);
        else if (first.is("open") && at(i + 2).is(kOver))
            add(Reference::What::Screen, i + 1);
        else if (first.is("call"))
            expressionFrom(i + 2);
        else if (first.is("animate"))
            animation(i + 1);
        else if (first.is("stop"))
            stop(i + 1);
        else if (first.type == TokenType::Name && isAboutWidget(first.text))
            widgetPath(i + 1, namesFrom(i + 1));
        else if (!first.is(kSoundHook) && !first.is("back"))
            expressionFrom(i);
    }

    // name = value, name[index] = value, widget.name = value, whatever the name is.
    void assignment(size_t i) {
        if (at(i).type == TokenType::Name && !at(i + 1).is("."))
            assigned_ = at(i).text;
        expressionFrom(i);
    }

    // widget.property from value to value in time
    void animation(size_t i) {
        const size_t names = namesFrom(i);
        if (names < 2)
            return;
        widgetPath(i, names - 1);
        i += 2 * names - 1;
        for (const char* word : {"from", "to"}) {
            if (!at(i).is(word))
                continue;
            const size_t end = wordBehindValue(i + 1, at(i).is("from") ? "to" : "in");
            expressionFrom(i + 1, end);
            i = end;
        }
    }

    // Where a word ends the value that begins at word i; a variable may have its name.
    size_t wordBehindValue(size_t i, std::string_view word) const {
        for (++i; i + 1 < tokens_.size(); ++i) {
            const Token& before = at(i - 1);
            const bool endsValue = before.type == TokenType::Name
                                       ? !isArrayWord(before.text)
                                       : before.type == TokenType::Number || before.type == TokenType::Text ||
                                             before.type == TokenType::Colour || before.is(")") || before.is("]");
            if (endsValue && at(i).is(word))
                break;
        }
        return std::min(i, tokens_.size() - 1);
    }

    // [screen.]widget, or [screen.]widget.property: the names of screens tell which.
    void stop(size_t i) {
        const size_t names = namesFrom(i);
        widgetPath(i, std::min<size_t>(names, 2));
        if (names == 2)
            add(Reference::What::Widget, i);
    }

    // A word in quotes is a choice of the variable that it is compared with, or that gets it.
    void choice(size_t i) {
        std::string variable = assigned_;
        if (i >= 2 && (at(i - 1).is("==") || at(i - 1).is("!="))) {
            size_t name = i - 2;
            for (int depth = 0; name > 0 && (at(name).is("]") || depth > 0); --name)
                depth += at(name).is("]") - at(name).is("[");
            variable = name > 0 && at(name - 1).is(".") ? std::string() : at(name).text;
        }
        if (!variable.empty())
            found_.push_back({Reference::What::Choice, i, variable});
    }

    // The name of a set of colours needs no quotes.
    void colourSet(size_t i) {
        const size_t before = found_.size();
        choice(i);
        if (found_.size() > before && found_.back().owner != kThemeName)
            found_.pop_back();
    }

    void expressionFrom(size_t i) { expressionFrom(i, tokens_.size() - 1); }

    // That in front of word `end`.
    void expressionFrom(size_t i, size_t end) {
        int choices = 0;  // ? that wait for their :
        while (i < end) {
            choices += at(i).is("?") - at(i).is(":");
            if (choices < 0)
                return;  // what follows the : of an inset says how it is shown
            const size_t names = namesFrom(i);
            if (names == 2 && ((at(i).is(kClockName) && clockField(at(i + 2).text)) ||
                               isNameOfOutput(at(i).text + "." + at(i + 2).text)))
                ;
            else if (names > 1)
                widgetPath(i, names - 1);
            else if (names == 1 && !isValueWord(at(i).text) &&
                     !(isArrayWord(at(i).text) && at(i + 1).type == TokenType::Name)) {
                add(Reference::What::Variable, i);
                colourSet(i);
            } else if (at(i).type == TokenType::Text)
                choice(i);
            i += names > 0 ? 2 * names - 1 : 1;
        }
    }

    const std::vector<Token>& tokens_;
    std::string assigned_;  // the variable that gets a value
    std::vector<Reference> found_;
};

}  // namespace

std::vector<Reference> referencesInLine(const std::vector<Token>& tokens) { return ReferenceReader(tokens).line(); }
std::vector<Reference> referencesInExpression(const std::vector<Token>& tokens) {
    return ReferenceReader(tokens).expression();
}

}  // namespace gorsefinch

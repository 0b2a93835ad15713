// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cerrno>
#include <functional>
#include <map>
#include <memory>
#include <random>
#include <string>
#include <vector>

#include "core/base/disk.h"

namespace support {

using gorsefinch::Disk;
using gorsefinch::FileStamp;

// A disk in memory that fails as tests want it, and forgets at a loss of power what was not synced.
class MemoryDisk : public Disk {
  public:
    enum class Fault {
        Error,  // the call does nothing and fails
        Short,  // a write takes half of its bytes, the next one fails; other calls fail
        Full,   // from here on nothing can be written or made any more
        Killed  // the call is the last one that does anything
    };

    MemoryDisk() : root_(newNode(FileStamp::Type::Folder)) {}
    MemoryDisk(const MemoryDisk& other)
        : fault(other.fault),
          failAt(other.failAt),
          calls(other.calls),
          changes(other.changes),
          knowsExchange(other.knowsExchange) {
        std::map<const Node*, NodeRef> copies;
        root_ = copied(other.root_, copies);
        inodes_ = other.inodes_;
        clock_ = other.clock_;
        settle();
    }
    MemoryDisk& operator=(const MemoryDisk&) = delete;

    Fault fault = Fault::Error;
    int failAt = 0;             // which call fails, from 1; 0 for none
    int calls = 0;              // so far
    int changes = 0;            // of those, the ones that changed something
    bool knowsExchange = true;  // as some file systems don't
    // Called before each call, with its number; for what other programs do meanwhile.
    std::function<void(int call)> beforeCall;

    // What a test puts there, outside of what is counted. Folders on the way are made.
    void put(const std::string& path, const std::string& bytes) {
        place(path, FileStamp::Type::File)->bytes = bytes, settle();
    }
    void putLink(const std::string& path) { place(path, FileStamp::Type::Link), settle(); }
    void putPipe(const std::string& path) { place(path, FileStamp::Type::Other), settle(); }
    void putFolder(const std::string& path) { place(path, FileStamp::Type::Folder), settle(); }
    void drop(const std::string& path) {
        const size_t slash = path.rfind('/');
        if (const NodeRef folder = found(path.substr(0, slash)))
            folder->names.erase(path.substr(slash + 1));
        settle();
    }
    bool has(const std::string& path) const { return found(path) != nullptr; }
    // "" for what isn't there.
    std::string get(const std::string& path) const {
        const NodeRef node = found(path);
        return node ? node->bytes : std::string();
    }
    // All plain files, by path. Those that only the program's own bookkeeping needs are left out unless `all`.
    std::map<std::string, std::string> held(bool all = true) const {
        std::map<std::string, std::string> out;
        collect(root_, "", out);
        if (!all)
            std::erase_if(out, [](const auto& each) { return each.first.find("/.gorsefinch") != std::string::npos; });
        return out;
    }

    // The disk after a loss of power now: of what was not synced, any part may be there.
    MemoryDisk afterPowerLoss(unsigned seed) const {
        std::mt19937 random(seed);
        std::map<const Node*, std::map<std::string, NodeRef>> names = settled_;
        for (const Change& each : log_) {
            if (!each.synced && random() % 2 == 0)
                continue;
            auto& folder = names[each.folder.get()];
            if (each.what == Change::Made) {
                folder[each.to] = each.node;
            } else if (each.what == Change::Removed) {
                folder.erase(each.from);
            } else if (each.what == Change::Exchanged) {
                if (folder.count(each.from) != 0 && folder.count(each.to) != 0)
                    std::swap(folder[each.from], folder[each.to]);
            } else if (const auto from = folder.find(each.from); from != folder.end()) {
                folder[each.to] = from->second;
                folder.erase(each.from);
            }
        }
        MemoryDisk out;
        out.knowsExchange = knowsExchange;
        out.root_ = rebuilt(root_, names, random);
        out.inodes_ = inodes_;
        out.settle();
        return out;
    }

    int openPath(const std::string& path) override {
        if (const int refused = count(false))
            return refused;
        const NodeRef node = found(path);
        return !node ? -ENOENT : node->type != FileStamp::Type::Folder ? -ENOTDIR : handleOf(node);
    }
    int openFolder(int folder, const std::string& name) override {
        if (const int refused = count(false))
            return refused;
        const NodeRef node = inner(folder, name);
        return !node ? -ENOENT : node->type != FileStamp::Type::Folder ? -ENOTDIR : handleOf(node);
    }
    int makeFolder(int folder, const std::string& name) override {
        if (const int refused = count(true))
            return refused;
        return inner(folder, name) ? -EEXIST : (made(folder, name, FileStamp::Type::Folder), 0);
    }
    int open(int folder, const std::string& name, Open how) override {
        NodeRef node = inner(folder, name);
        const bool makes = how == Open::Create || (how == Open::Lock && !node);
        if (const int refused = count(makes))
            return refused;
        if (node && how == Open::Create)
            return -EEXIST;
        if (node && node->type == FileStamp::Type::Link)
            return -ELOOP;
        if (!node && !makes)
            return -ENOENT;
        if (!node)
            node = made(folder, name, FileStamp::Type::File);
        return handleOf(node);
    }
    int close(int handle) override {
        // Closing tells nothing new of a disk that is gone, and a killed program's handles are closed too.
        handles_.erase(handle);
        return 0;
    }
    long read(int handle, char* to, size_t bytes) override {
        if (const int refused = count(false))
            return refused;
        Opened& opened = handles_.at(handle);
        const size_t part = std::min(bytes, opened.node->bytes.size() - std::min(opened.at, opened.node->bytes.size()));
        std::copy_n(opened.node->bytes.data() + opened.at, part, to);
        opened.at += part;
        return static_cast<long>(part);
    }
    long write(int handle, const char* from, size_t bytes) override {
        const bool half = fault == Fault::Short && failAt != 0 && calls + 1 == failAt && bytes > 1;
        if (const int refused = half ? (++calls, 0) : count(true))
            return refused;
        const size_t part = half ? bytes / 2 : bytes;
        Node& node = *handles_.at(handle).node;
        node.bytes.append(from, part);
        node.modified = node.changed = ++clock_;
        node.unsynced = true;
        if (half)
            failAt = calls + 1, fault = Fault::Error;
        return static_cast<long>(part);
    }
    int sync(int handle) override {
        if (const int refused = count(true))
            return refused;
        const NodeRef node = handles_.at(handle).node;
        node->syncedBytes = node->bytes;
        node->unsynced = false;
        for (Change& each : log_)
            each.synced = each.synced || each.folder == node;
        return 0;
    }
    int setMode(int handle, unsigned mode) override {
        if (const int refused = count(true))
            return refused;
        handles_.at(handle).node->mode = mode;
        return 0;
    }
    int stamp(int handle, FileStamp& out) override {
        if (const int refused = count(false))
            return refused;
        out = stampFrom(*handles_.at(handle).node);
        return 0;
    }
    int stampOf(int folder, const std::string& name, FileStamp& out) override {
        if (const int refused = count(false))
            return refused;
        const NodeRef node = inner(folder, name);
        if (!node)
            return -ENOENT;
        out = stampFrom(*node);
        return 0;
    }
    int rename(int folder, const std::string& from, const std::string& to, Move how) override {
        if (const int refused = count(true))
            return refused;
        const NodeRef in = handles_.at(folder).node;
        const auto node = in->names.find(from);
        if (node == in->names.end() || (how == Move::Exchange && in->names.count(to) == 0))
            return -ENOENT;
        if (how != Move::Replace && !knowsExchange)
            return -EINVAL;
        if (how == Move::New && in->names.count(to) != 0)
            return -EEXIST;
        if (how == Move::Exchange) {
            std::swap(in->names[from], in->names[to]);
            in->names[from]->changed = in->names[to]->changed = ++clock_;
            log_.push_back({Change::Exchanged, in, from, to, nullptr, false});
            return 0;
        }
        if (const auto there = in->names.find(to);
            there != in->names.end() && there->second->type == FileStamp::Type::Folder)
            return -EISDIR;
        node->second->changed = ++clock_;
        in->names[to] = node->second;
        in->names.erase(from);
        log_.push_back({Change::Renamed, in, from, to, nullptr, false});
        return 0;
    }
    int remove(int folder, const std::string& name) override {
        // A full disk has room for less.
        if (const int refused = count(fault != Fault::Full))
            return refused;
        const NodeRef in = handles_.at(folder).node;
        if (in->names.erase(name) == 0)
            return -ENOENT;
        log_.push_back({Change::Removed, in, name, {}, nullptr, false});
        return 0;
    }
    int list(int folder, std::vector<std::string>& names) override {
        if (const int refused = count(false))
            return refused;
        for (const auto& [name, node] : handles_.at(folder).node->names)
            names.push_back(name);
        return 0;
    }
    int lock(int handle) override {
        if (const int refused = count(false))
            return refused;
        const Node* node = handles_.at(handle).node.get();
        for (const auto& [number, opened] : handles_)
            if (number != handle && opened.node.get() == node && opened.locks)
                return -EWOULDBLOCK;
        handles_.at(handle).locks = true;
        return 0;
    }

  private:
    struct Node;
    using NodeRef = std::shared_ptr<Node>;
    struct Node {
        FileStamp::Type type;
        uint64_t inode;
        std::string bytes, syncedBytes;
        bool unsynced = false;
        int64_t modified = 0, changed = 0;
        unsigned mode = 0644;
        std::map<std::string, NodeRef> names;
    };
    struct Opened {
        NodeRef node;
        size_t at = 0;
        bool locks = false;
    };
    struct Change {
        enum What { Made, Removed, Renamed, Exchanged } what;
        NodeRef folder;
        std::string from, to;
        NodeRef node;
        bool synced;
    };

    NodeRef newNode(FileStamp::Type type) {
        auto node = std::make_shared<Node>();
        node->type = type;
        node->inode = ++inodes_;
        node->modified = node->changed = ++clock_;
        return node;
    }
    NodeRef made(int folder, const std::string& name, FileStamp::Type type) {
        const NodeRef in = handles_.at(folder).node;
        log_.push_back({Change::Made, in, {}, name, newNode(type), false});
        return in->names[name] = log_.back().node;
    }
    NodeRef inner(int folder, const std::string& name) const {
        const auto opened = handles_.find(folder);
        if (opened == handles_.end())
            return nullptr;
        const auto node = opened->second.node->names.find(name);
        return node == opened->second.node->names.end() ? nullptr : node->second;
    }
    NodeRef found(const std::string& path) const {
        NodeRef node = root_;
        for (size_t at = 0; node && at < path.size();) {
            const size_t slash = std::min(path.find('/', at), path.size());
            if (slash > at) {
                const auto next = node->names.find(path.substr(at, slash - at));
                node = next == node->names.end() ? nullptr : next->second;
            }
            at = slash + 1;
        }
        return node;
    }
    NodeRef place(const std::string& path, FileStamp::Type type) {
        NodeRef node = root_;
        for (size_t at = 0; at < path.size();) {
            const size_t slash = std::min(path.find('/', at), path.size());
            if (slash > at) {
                NodeRef& next = node->names[path.substr(at, slash - at)];
                if (!next || slash == path.size())
                    next = newNode(slash == path.size() ? type : FileStamp::Type::Folder);
                node = next;
            }
            at = slash + 1;
        }
        return node;
    }
    int handleOf(const NodeRef& node) {
        handles_[++lastHandle_] = {node};
        return lastHandle_;
    }
    static FileStamp stampFrom(const Node& node) {
        FileStamp out;
        out.type = node.type;
        out.device = 1;
        out.inode = node.inode;
        out.bytes = node.bytes.size();
        out.modified = node.modified;
        out.changed = node.changed;
        out.mode = node.mode;
        return out;
    }
    // 0, or why the call does nothing.
    int count(bool change) {
        ++calls;
        if (beforeCall)
            beforeCall(calls);
        changes += change;
        if (failAt == 0 || calls < failAt)
            return 0;
        switch (fault) {
            case Fault::Full: return change ? -ENOSPC : 0;
            case Fault::Killed: return calls > failAt ? -EIO : 0;
            default: return calls == failAt ? -EIO : 0;
        }
    }
    void collect(const NodeRef& node, const std::string& path, std::map<std::string, std::string>& out) const {
        if (node->type == FileStamp::Type::File)
            out[path] = node->bytes;
        for (const auto& [name, each] : node->names)
            collect(each, path + "/" + name, out);
    }
    // From here on all is taken for synced.
    void settle() {
        log_.clear();
        settled_.clear();
        settle(root_);
    }
    void settle(const NodeRef& node) {
        node->syncedBytes = node->bytes;
        node->unsynced = false;
        settled_[node.get()] = node->names;
        for (const auto& [name, each] : node->names)
            settle(each);
    }
    NodeRef copied(const NodeRef& node, std::map<const Node*, NodeRef>& copies) const {
        NodeRef& copy = copies[node.get()];
        if (!copy) {
            copy = std::make_shared<Node>(*node);
            NodeRef kept = copy;
            for (auto& [name, each] : kept->names)
                each = copied(each, copies);
            return kept;
        }
        return copy;
    }
    NodeRef rebuilt(const NodeRef& node, std::map<const Node*, std::map<std::string, NodeRef>>& names,
                    std::mt19937& random) const {
        auto out = std::make_shared<Node>(*node);
        if (node->unsynced) {
            const unsigned how = random() % 4;
            out->bytes = how == 0   ? node->syncedBytes
                         : how == 1 ? std::string()
                         : how == 2 ? node->bytes.substr(0, random() % (node->bytes.size() + 1))
                                    : node->bytes;
        }
        out->names.clear();
        for (const auto& [name, each] : names[node.get()])
            out->names[name] = rebuilt(each, names, random);
        return out;
    }

    uint64_t inodes_ = 0;
    int64_t clock_ = 0;
    int lastHandle_ = 2;
    NodeRef root_;
    std::map<int, Opened> handles_;
    std::map<const Node*, std::map<std::string, NodeRef>> settled_;
    std::vector<Change> log_;
};

}  // namespace support

<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Finding\Query;

/** The lists that may come along with the list of files. */
enum ListKind: string
{
    case Documents = 'documents';
    case Tasks = 'tasks';
    case People = 'people';
    case Contacts = 'contacts';

    /** Which one a spreadsheet of this name is; null: none of them. */
    public static function named(string $name): ?self
    {
        return match (Query::plain($name)) {
            'documents', 'document', 'papers', 'paper' => self::Documents,
            'tasks', 'task', 'to do', 'todo', 'dates', 'deadlines' => self::Tasks,
            'people', 'users', 'agents', 'staff' => self::People,
            'contacts', 'contact', 'address book', 'vendors' => self::Contacts,
            default => null,
        };
    }

    /** @return array<string, list<string>> what a column may hold, with the headings it goes by */
    public function columns(): array
    {
        $file = ['file', 'folder', 'deal', 'transaction', 'property', 'address', 'listing number', 'listing'];

        return match ($this) {
            self::Documents => [
                'file' => $file,
                'path' => ['document', 'path', 'file name', 'filename', 'paper', 'name'],
                'title' => ['title', 'called'],
                'line' => ['checklist', 'checklist item', 'requirement', 'type', 'document type', 'category', 'belongs to'],
                'accepted' => ['accepted', 'accepted on', 'approved', 'approved on', 'reviewed', 'reviewed on', 'review date'],
                'by' => ['accepted by', 'approved by', 'reviewed by', 'reviewer', 'broker'],
            ],
            self::Tasks => [
                'file' => $file,
                'task' => ['task', 'title', 'what', 'deadline', 'name', 'subject'],
                'due' => ['due', 'due date', 'due on', 'date', 'deadline date'],
                'done' => ['done', 'done on', 'completed', 'completed on', 'completion date', 'finished'],
                'for' => ['for', 'assigned to', 'assignee', 'who', 'responsible'],
            ],
            self::People => [
                'name' => ['name', 'full name', 'person', 'agent', 'agent name'],
                'email' => ['email', 'e mail', 'email address', 'mail'],
                'role' => ['role', 'roles', 'position', 'title'],
                'office' => ['office', 'branch'],
            ],
            self::Contacts => [
                'name' => ['name', 'full name', 'contact', 'contact name'],
                'firm' => ['firm', 'company', 'organization', 'business'],
                'email' => ['email', 'e mail', 'email address', 'mail'],
                'phone' => ['phone', 'telephone', 'mobile', 'phone number'],
                'address' => ['address', 'street address'],
                'role' => ['role', 'kind', 'type', 'category'],
            ],
        };
    }

    /** @return list<string> columns it cannot do without */
    public function needs(): array
    {
        return match ($this) {
            self::Documents => ['path'],
            self::Tasks => ['file', 'task'],
            self::People => ['name', 'email'],
            self::Contacts => ['name'],
        };
    }
}

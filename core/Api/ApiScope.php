<?php

declare(strict_types=1);

namespace Unanimus\Api;

/** What a token may be used for; never more than the person it belongs to may do. */
enum ApiScope: string
{
    case ReadFiles = 'files:read';
    case WriteFiles = 'files:write';
    case ReadDocuments = 'documents:read';
    case WriteDocuments = 'documents:write';
    case ReadTasks = 'tasks:read';
    case WriteTasks = 'tasks:write';
    case ReadCommission = 'commission:read';
    case Webhooks = 'webhooks';

    /** As read where a token is made. */
    public function label(): string
    {
        return match ($this) {
            self::ReadFiles => 'Read files, terms, people and checklists',
            self::WriteFiles => 'Open files, change terms and people',
            self::ReadDocuments => 'Download documents',
            self::WriteDocuments => 'Upload documents',
            self::ReadTasks => 'Read tasks',
            self::WriteTasks => 'Add and finish tasks',
            self::ReadCommission => 'Read commission figures',
            self::Webhooks => 'Set up webhooks',
        };
    }

    /**
     * Those of a list that there are, in their order.
     *
     * @param list<string> $asked
     * @return list<self>
     */
    public static function among(array $asked): array
    {
        return array_values(array_filter(self::cases(), static fn (self $scope) => in_array($scope->value, $asked, true)));
    }
}

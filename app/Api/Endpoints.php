<?php

declare(strict_types=1);

namespace App\Api;

use App\Api\Http\FilesController;
use App\Api\Http\HooksController;
use App\Api\Http\WorkController;
use Unanimus\Api\ApiScope;

/**
 * All there is to call, said once: routes and description are made of it.
 *
 * @phpstan-type Endpoint array{method: string, path: string, does: array{class-string, string}, scope: ApiScope, says: string,
 *     gives: string, takes?: string, asks?: list<string>}
 */
final class Endpoints
{
    private const FILE = '/files/{file}';

    /** @return list<Endpoint> */
    public static function all(): array
    {
        return [
            self::get('/files', [FilesController::class, 'index'], ApiScope::ReadFiles, 'Files you can see, oldest first', 'Files',
                ['status', 'changed_since', 'listing', 'after', 'limit']),
            self::send('post', '/files', [FilesController::class, 'store'], ApiScope::WriteFiles, 'Open a file', 'File', 'NewFile'),
            self::get(self::FILE, [FilesController::class, 'show'], ApiScope::ReadFiles, 'One file with all its terms', 'File'),
            self::send('patch', self::FILE, [FilesController::class, 'update'], ApiScope::WriteFiles, 'Change terms', 'File', 'Terms'),
            self::get(self::FILE.'/people', [FilesController::class, 'people'], ApiScope::ReadFiles, 'Who is in a file', 'People'),
            self::send('put', self::FILE.'/people/{seat}', [FilesController::class, 'seat'], ApiScope::WriteFiles,
                'Seat a person, or change who sits there; the seat is role and number, as buyer.2', 'Person', 'NewPerson'),
            self::get(self::FILE.'/checklist', [FilesController::class, 'checklist'], ApiScope::ReadFiles, 'The checklist', 'Checklist'),
            self::get(self::FILE.'/documents', [WorkController::class, 'documents'], ApiScope::ReadDocuments, 'Documents of a file',
                'Documents'),
            self::send('post', self::FILE.'/documents', [WorkController::class, 'upload'], ApiScope::WriteDocuments,
                'Upload a document, also at the place of an expected one', 'Uploaded', 'Upload'),
            self::get('/documents/{paper}/content', [WorkController::class, 'content'], ApiScope::ReadDocuments, 'A document as PDF',
                'pdf'),
            self::get(self::FILE.'/tasks', [WorkController::class, 'tasks'], ApiScope::ReadTasks, 'Tasks of a file', 'Tasks'),
            self::send('post', self::FILE.'/tasks', [WorkController::class, 'addTask'], ApiScope::WriteTasks, 'Add a task', 'Task',
                'NewTask'),
            self::send('patch', '/tasks/{task}', [WorkController::class, 'markTask'], ApiScope::WriteTasks,
                'Say that a task is done, or open',
                'Task', 'TaskDone'),
            self::get(self::FILE.'/commission', [WorkController::class, 'commission'], ApiScope::ReadCommission, 'Commission of a file',
                'Commission'),
            self::get('/webhooks', [HooksController::class, 'index'], ApiScope::Webhooks, 'Your webhooks', 'Webhooks'),
            self::send('post', '/webhooks', [HooksController::class, 'store'], ApiScope::Webhooks,
                'Set up a webhook; the secret is in this answer and nowhere else', 'NewWebhookMade', 'NewWebhook'),
            self::send('delete', '/webhooks/{hook}', [HooksController::class, 'destroy'], ApiScope::Webhooks, 'Turn a webhook off',
                'Off', ''),
            self::get('/webhooks/{hook}/calls', [HooksController::class, 'calls'], ApiScope::Webhooks, 'What it was told lately', 'Calls'),
        ];
    }

    /**
     * @param array{class-string, string} $does
     * @param list<string> $asks
     * @return Endpoint
     */
    private static function get(string $path, array $does, ApiScope $scope, string $says, string $gives, array $asks = []): array
    {
        return ['method' => 'get', 'path' => $path, 'does' => $does, 'scope' => $scope, 'says' => $says, 'gives' => $gives,
            'asks' => $asks];
    }

    /**
     * @param array{class-string, string} $does
     * @return Endpoint
     */
    private static function send(
        string $method,
        string $path,
        array $does,
        ApiScope $scope,
        string $says,
        string $gives,
        string $takes,
    ): array {
        return ['method' => $method, 'path' => $path, 'does' => $does, 'scope' => $scope, 'says' => $says, 'gives' => $gives,
            'takes' => $takes];
    }
}

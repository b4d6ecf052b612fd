<?php

declare(strict_types=1);

namespace App\Api;

use Unanimus\Api\ApiScope;
use Unanimus\Api\DealFields;
use Unanimus\Api\HookEvent;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;

/**
 * The description of the interface.
 *
 * @link https://spec.openapis.org/oas/v3.1.0
 */
final class OpenApi
{
    /** @return array<string, mixed> */
    public static function description(): array
    {
        $paths = [];
        foreach (Endpoints::all() as $one) {
            $paths["/api/v1{$one['path']}"][$one['method']] = self::operation($one);
        }

        return [
            'openapi' => '3.1.0',
            'info' => [
                'title' => 'Unanimus',
                'version' => '1',
                'description' => 'Everything is done as the person the token belongs to: what they cannot see, the token cannot see. Send '.
                    'an Idempotency-Key with whatever changes something; sent again, it is answered as before and nothing is done twice. '.
                    'Field names are those of the RESO Data Dictionary where it has one. Money is a decimal text, days are YYYY-MM-DD, '.
                    'moments are UTC.',
            ],
            'servers' => [['url' => rtrim((string) config('app.url'), '/')]],
            'security' => [['token' => []]],
            'paths' => $paths,
            'components' => [
                'securitySchemes' => ['token' => [
                    'type' => 'http',
                    'scheme' => 'bearer',
                    'description' => implode('; ', array_map(
                        static fn (ApiScope $scope) => "{$scope->value}: {$scope->label()}",
                        ApiScope::cases(),
                    )),
                ]],
                'schemas' => self::schemas(),
            ],
        ];
    }

    /**
     * @param array<string, mixed> $one an endpoint
     * @return array<string, mixed>
     */
    private static function operation(array $one): array
    {
        preg_match_all('/\{(\w+)\}/', $one['path'], $names);
        $named = static fn (string $name, string $in) => ['name' => $name, 'in' => $in, 'required' => $in === 'path',
            'schema' => ['type' => 'string']];
        $made = $one['method'] === 'post' ? '201' : '200';
        $content = $one['gives'] === 'pdf'
            ? ['application/pdf' => ['schema' => ['type' => 'string', 'contentMediaType' => 'application/pdf']]]
            : ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$one['gives']}"]]];
        $refused = static fn (string $why) => ['description' => $why, 'content' => ['application/json' => ['schema' => [
            '$ref' => '#/components/schemas/Refused',
        ]]]];

        return array_filter([
            'operationId' => lcfirst(str_replace(['Controller'], '', class_basename($one['does'][0]))).ucfirst($one['does'][1]),
            'summary' => $one['says'],
            'description' => "Needs the scope {$one['scope']->value}.",
            'parameters' => [
                ...array_map(static fn (string $name) => $named($name, 'path'), $names[1]),
                ...array_map(static fn (string $name) => $named($name, 'query'), $one['asks'] ?? []),
            ],
            'requestBody' => ($one['takes'] ?? '') === '' ? null : ['required' => true, 'content' => [
                $one['takes'] === 'Upload' ? 'multipart/form-data' : 'application/json' => ['schema' => [
                    '$ref' => "#/components/schemas/{$one['takes']}",
                ]],
            ]],
            'responses' => [
                $made => ['description' => 'Done', 'content' => $content],
                '401' => $refused('No token, or one that has ended'),
                '403' => $refused('The token or the person may not do that'),
                '404' => $refused('There is none, or the person cannot see it'),
                '409' => $refused('The state of things does not allow it'),
                '422' => $refused('Something sent cannot be read'),
                '429' => $refused('Too many requests; see Retry-After'),
            ],
        ], static fn (mixed $part) => $part !== null && $part !== []);
    }

    /** @return array<string, mixed> */
    private static function schemas(): array
    {
        $text = ['type' => 'string'];
        $maybe = ['type' => ['string', 'null']];
        $whole = ['type' => 'integer'];
        $yes = ['type' => 'boolean'];
        $all = static fn (array $properties, array $rest = []) => [
            'type' => 'object', 'properties' => $properties, 'required' => array_keys($properties), ...$rest,
        ];
        $list = static fn (string $name, string $of) => $all([$name => ['type' => 'array',
            'items' => ['$ref' => "#/components/schemas/{$of}"]]]);
        $values = static fn (array $cases) => ['type' => 'string', 'enum' => array_map(static fn (\BackedEnum $one) => $one->value,
            $cases)];
        $short = [
            'ListingKey' => $text, 'name' => $text, 'ListingId' => $maybe, 'StandardStatus' => $text,
            'status' => $values(DealStatus::cases()),
            'represents' => $values(Representation::cases()), 'kind' => $values(DealKind::cases()), 'office' => $text,
            'ListPrice' => $maybe,
            'ClosePrice' => $maybe, 'CloseDate' => $maybe, 'ModificationTimestamp' => $maybe, 'url' => $text,
        ];
        $terms = ['type' => 'object', 'additionalProperties' => $text, 'propertyNames' => ['enum' => DealFields::names()]];

        return [
            'Refused' => $all(['message' => $text]),
            'FileInList' => $all($short),
            'Files' => $all(['files' => ['type' => 'array', 'items' => ['$ref' => '#/components/schemas/FileInList']], 'next' => $maybe]),
            'File' => $all([
                ...$short, ...array_map(static fn () => $maybe, DealFields::FACTS),
                'terms' => ['type' => 'object'], 'tags' => ['type' => 'array', 'items' => $text], 'ended_on' => $maybe,
                'end_reason' => $maybe,
                'archived' => $yes, 'completeness' => $all(['accepted' => $whole, 'of' => $whole]),
                'members' => ['type' => 'array', 'items' => $all(['name' => $text, 'role' => $text, 'side' => $maybe])],
            ]),
            'NewFile' => ['type' => 'object', 'required' => ['represents'], 'properties' => [
                'represents' => $values(Representation::cases()), 'kind' => $values(DealKind::cases()), 'office' => $text,
                'terms' => $terms,
            ]],
            'Terms' => $all(['terms' => $terms]),
            'Person' => $all(['seat' => $text, 'name' => $maybe, 'email' => $maybe, 'phone' => $maybe, 'firm' => $maybe,
                'address' => $maybe]),
            'People' => $list('people', 'Person'),
            'NewPerson' => ['type' => 'object', 'properties' => array_fill_keys(['name', 'email', 'phone', 'firm', 'address'], $maybe)],
            'Requirement' => $all([
                'key' => $text, 'title' => $text, 'stage' => $text, 'review' => $text, 'document' => $maybe, 'due_on' => $maybe,
                'submitted_at' => $maybe, 'decided_at' => $maybe,
            ]),
            'Checklist' => $list('requirements', 'Requirement'),
            'Document' => $all(['key' => $text, 'title' => $text, 'form' => $maybe, 'state' => $text, 'versions' => $whole,
                'content' => $text]),
            'Documents' => $list('documents', 'Document'),
            'Upload' => ['type' => 'object', 'required' => ['file'], 'properties' => [
                'file' => ['type' => 'string', 'contentMediaType' => 'application/octet-stream'], 'document' => $text,
            ]],
            'Uploaded' => $all(['state' => $text, 'told' => $text]),
            'Task' => $all(['key' => $text, 'title' => $text, 'due_on' => $maybe, 'for' => $maybe, 'done_at' => $maybe,
                'done_by' => $maybe]),
            'Tasks' => $list('tasks', 'Task'),
            'NewTask' => ['type' => 'object', 'required' => ['title'], 'properties' => ['title' => $text, 'due_on' => $maybe]],
            'TaskDone' => $all(['done' => $yes]),
            'Sheet' => ['type' => 'object'],
            'Commission' => $list('sheets', 'Sheet'),
            'Webhook' => $all(['key' => $text, 'url' => $text, 'events' => ['type' => 'array', 'items' => $values(HookEvent::cases())],
                'on' => $yes]),
            'Webhooks' => $list('webhooks', 'Webhook'),
            'NewWebhook' => $all(['url' => $text, 'events' => ['type' => 'array', 'items' => $values(HookEvent::cases()),
                'minItems' => 1]]),
            'NewWebhookMade' => $all(['key' => $text, 'url' => $text, 'events' => ['type' => 'array'], 'on' => $yes, 'secret' => $text]),
            'Off' => $all(['off' => $yes]),
            'Call' => $all(['key' => $text, 'event' => $text, 'tried' => $whole, 'taken' => $yes, 'given_up' => $yes, 'answer' => $text]),
            'Calls' => $list('calls', 'Call'),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

use App\Access\Http\RequestId;
use Illuminate\Database\QueryException;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\StreamHandler;
use Monolog\Logger;
use Monolog\LogRecord;

/** The log: one JSON object a line with the request's id. What people typed stays out: an exception is told by class and place. */
final class StructuredLog
{
    /** @param  array{level?: string}  $config */
    public function __invoke(array $config): Logger
    {
        $handler = new StreamHandler(dirname(storage_path()).'/log/unanimus.jsonl', $config['level'] ?? 'info', true, 0664);
        $handler->setFormatter(new JsonFormatter(JsonFormatter::BATCH_MODE_NEWLINES, true, true));
        $logger = new Logger('unanimus', [$handler]);
        $logger->pushProcessor(static function (LogRecord $record): LogRecord {
            $context = $record->context;
            $exception = $context['exception'] ?? null;
            unset($context['userId'], $context['exception']);
            $message = $record->message;
            if ($exception instanceof \Throwable) {
                // A query's message carries its values: names, amounts, addresses.
                $message = $exception instanceof QueryException ? 'Query failed: '.$exception->getCode() : $exception->getMessage();
                $context['exception'] = $exception::class;
                $context['at'] = str_replace(base_path().'/', '', $exception->getFile()).':'.$exception->getLine();
                $context['trace'] = array_slice(
                    array_map(
                        static fn (array $frame) => str_replace(base_path().'/', '', $frame['file'] ?? '?').':'.($frame['line'] ?? 0),
                        $exception->getTrace(),
                    ),
                    0,
                    12,
                );
            }

            return $record->with(
                message: mb_strimwidth(RequestId::redact($message), 0, 500, '…'),
                context: $context,
                extra: ['request' => RequestId::current()],
            );
        });

        return $logger;
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Log\Logger;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;

/** Logs as lines of JSON, with the identity that the web server gave to the request, which its answer bears as well. */
final class JsonLines
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if (! ($monolog instanceof Monolog)) {
            return;
        }
        $request = $_SERVER['REQUEST_ID'] ?? null;
        $monolog->pushProcessor(
            static fn (LogRecord $record): LogRecord => is_string($request) ? $record->with(extra: ['request' => $request] + $record->extra) : $record,
        );
        foreach ($monolog->getHandlers() as $handler) {
            if ($handler instanceof FormattableHandlerInterface) {
                $handler->setFormatter(new JsonFormatter(includeStacktraces: true));
            }
        }
    }
}

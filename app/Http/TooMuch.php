<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\ErrorHandler\Error\FatalError;

/** A page that takes more memory or time than one may: what to say, and room to say it in. */
final class TooMuch
{
    private const MEMORY = 'Allowed memory size';

    private const TIME = 'Maximum execution time';

    /** Octets. */
    private const ROOM = 64 * 1024 * 1024;

    /** Before anybody else looks at why it ended: whoever has no memory left cannot say so. */
    public static function leaveRoom(): void
    {
        register_shutdown_function(static function (): void {
            if (str_contains(error_get_last()['message'] ?? '', self::MEMORY)) {
                ini_set('memory_limit', (string) (memory_get_usage(true) + self::ROOM));
            }
        });
    }

    /** @return ?string in words; null: it ended for another reason */
    public static function words(FatalError $error, Request $request): ?string
    {
        $said = $error->getMessage();
        $what = match (true) {
            str_contains($said, self::MEMORY) => [
                sprintf(
                    'more memory than one page may have on this server (%s)',
                    ini_get_all()['memory_limit']['global_value'] ?? '',
                ),
                'SARTAL_MEMORY_MB',
            ],
            str_contains($said, self::TIME) => [
                sprintf(
                    'longer than one page may take on this server (%s s)',
                    ini_get_all()['max_execution_time']['global_value'] ?? '',
                ),
                'SARTAL_SECONDS',
            ],
            default => null,
        };
        if ($what === null) {
            return null;
        }

        return sprintf(
            '%s would take %s. %s Whoever runs the server can allow more (%s); its log names this page.',
            $request->isMethodSafe() ? 'What this page shows' : 'What you asked for',
            $what[0],
            $request->isMethodSafe()
                ? 'Nothing was changed. Open a part of it, such as one loom, one place or one cable.'
                : 'Load the page again to see whether it was done; what waits in the queue is sent again and recorded '.
                    'once.',
            $what[1],
        );
    }
}

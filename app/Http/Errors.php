<?php

declare(strict_types=1);

namespace App\Http;

use App\Changes\Overtakes;
use App\Changes\PutAside;
use App\Changes\StaleWrite;
use App\Contract\Refusal;
use App\Formats\BadLine;
use App\Formats\Slip;
use App\Http\Resources\Later\ImpactResource;
use App\Http\Resources\Plan\StaleResource;
use App\Recording\Refused;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problem;
use Symfony\Component\ErrorHandler\Error\FatalError;

/** Errors as the browser gets them: Laravel's validation shape, one message per field, each with its remedy. */
final class Errors
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(
            static fn (Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->dontReport([BadLine::class, InvalidDocument::class, StaleWrite::class]);
        $exceptions->dontReport([Refused::class, Refusal::class, Overtakes::class, PutAside::class]);
        $exceptions->render(
            static fn (StaleWrite $stale): JsonResponse => response()->json(app(StaleResource::class)->of($stale), 409),
        );
        $exceptions->render(
            static fn (PostTooLargeException $large): JsonResponse => response()->json(
                [
                    'message' => sprintf(
                        'This is larger than the %s that the server takes at once. Nothing of it was read. '.
                            'Whoever runs this server can let it take more (SARTAL_UPLOAD_MB).',
                        ini_get('post_max_size'),
                    ),
                ],
                413,
            ),
        );
        $exceptions->render(static function (FatalError $error, Request $request): ?JsonResponse {
            $words = TooMuch::words($error, $request);

            return $words === null ? null : response()->json(['message' => $words], 503);
        });
        // Without what was asked, which may say whose password it is.
        $exceptions->context(static fn (): array => ['page' => request()->method().' /'.request()->path()]);
        $exceptions->render(
            static fn (Overtakes $overtakes): JsonResponse => response()->json(
                [
                    'message' => $overtakes->getMessage(),
                    'impact' => ImpactResource::of($overtakes->impact, $overtakes->words),
                ],
                428,
            ),
        );
        $exceptions->render(
            static fn (PutAside $aside): JsonResponse => response()->json(
                ['message' => $aside->getMessage(), 'draft' => $aside->draft],
                409,
            ),
        );
        $exceptions->render(
            static fn (Refusal $refusal): JsonResponse => response()->json(
                ['message' => $refusal->getMessage(), ...$refusal->more],
                $refusal->status,
            ),
        );
        $exceptions->render(
            static fn (Refused $refused): JsonResponse => response()->json(
                ['message' => $refused->getMessage(), ...$refused->more],
                $refused->status,
            ),
        );
        $exceptions->render(
            static fn (BadLine $bad): JsonResponse => response()->json(
                [
                    'message' => $bad->getMessage(),
                    'errors' => self::byField($bad->slips),
                ],
                422,
            ),
        );
        $exceptions->render(
            static fn (InvalidDocument $invalid): JsonResponse => response()->json(
                [
                    'message' => $invalid->getMessage(),
                    'problems' => array_map(static fn (Problem $each): array => $each->told(), $invalid->problems),
                    'more' => $invalid->more,
                ],
                422,
            ),
        );
    }

    /**
     * @param  list<Slip>  $slips
     * @return array<int|string, list<string>>
     */
    private static function byField(array $slips): array
    {
        $errors = [];
        foreach ($slips as $slip) {
            $errors[$slip->field][] = ($slip->value === '' ? '' : sprintf('"%s": ', $slip->value)).$slip->remedy;
        }

        return $errors;
    }
}

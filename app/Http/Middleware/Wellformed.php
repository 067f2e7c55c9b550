<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Formats\BadLine;
use Closure;
use Illuminate\Http\Request;
use JsonException;
use Symfony\Component\HttpFoundation\Response;

/** What no field can hold, and no database, is sent back before anybody reads it: text that is none, endless JSON. */
final class Wellformed
{
    private const DEPTH = 64;

    /** Values in one request: an installation of 5,000 runs comes as a file, not as JSON. */
    private const MOST = 250_000;

    /** Octets of what is no file: those alone may be large. */
    private const LONGEST = 64_000_000;

    private const SHOWN = 60;

    private int $count = 0;

    /**
     * @param  Closure(Request): Response  $next
     *
     * @throws BadLine
     */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->is('api', 'api/*')) {
            $path = rawurldecode($request->getPathInfo());
            abort_unless(self::isText($path), 404, 'There is nothing at this address: it holds what is no text.');
            abort_if(
                $request->isJson() && (int) $request->header('Content-Length') > self::LONGEST,
                Response::HTTP_REQUEST_ENTITY_TOO_LARGE,
                sprintf('This is longer than %d MB. Send less at a time.', intdiv(self::LONGEST, 1_000_000)),
            );
            $this->check($request->query->all(), '');
            $this->check($this->body($request), '');
        }

        return $next($request);
    }

    /**
     * @return array<array-key, mixed>
     *
     * @throws BadLine
     */
    private function body(Request $request): array
    {
        if (! $request->isJson()) {
            return $request->request->all();
        }
        $content = $request->getContent();
        if (trim($content) === '') {
            return [];
        }
        try {
            $data = json_decode($content, true, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $broken) {
            throw BadLine::because(
                'body',
                '',
                match ($broken->getCode()) {
                    JSON_ERROR_UTF8 => 'This is not written as UTF-8. Send it so.',
                    JSON_ERROR_DEPTH => sprintf('This is nested more than %d deep. Send less at a time.', self::DEPTH),
                    default => 'This is no JSON. Send an object with named fields.',
                },
            );
        }

        return is_array($data) ? $data : throw BadLine::because('body', '', 'Send an object with named fields.');
    }

    /**
     * @param  array<array-key, mixed>  $data
     *
     * @throws BadLine
     */
    private function check(array $data, string $path): void
    {
        $this->count += count($data);
        if ($this->count > self::MOST) {
            throw BadLine::because(
                'body',
                '',
                sprintf('This has more than %d values. Send less at a time, or a file.', self::MOST),
            );
        }
        foreach ($data as $key => $value) {
            $at = $path === '' ? (string) $key : $path.'.'.$key;
            if (! self::isText((string) $key)) {
                throw BadLine::because(
                    $path === '' ? 'body' : self::short($path),
                    '',
                    'A name of a field here is no text.',
                );
            }
            if (is_string($value) && ! self::isText($value)) {
                throw BadLine::because(
                    self::short($at),
                    '',
                    'This is no text: it holds a NUL, or is not written as UTF-8. Type it anew.',
                );
            }
            if (is_array($value)) {
                $this->check($value, $at);
            }
        }
    }

    private static function isText(string $text): bool
    {
        return ! str_contains($text, "\0") && mb_check_encoding($text, 'UTF-8');
    }

    private static function short(string $path): string
    {
        return mb_strlen($path) > self::SHOWN ? mb_substr($path, 0, self::SHOWN).'…' : $path;
    }
}

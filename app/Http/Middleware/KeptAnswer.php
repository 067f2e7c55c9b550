<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Contract\Answer;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Touched;
use App\Simulators\RollPrinter;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Document;
use Illuminate\Support\Facades\Cache;
use InvalidArgumentException;
use Symfony\Component\HttpFoundation\Response;

/**
 * An answer is made once of what it follows from. What that is besides decisions is said where its route is; whoever
 * has the answer already is told that it still holds, before anything is read.
 */
final readonly class KeptAnswer
{
    /** s that others wait while one makes it. */
    private const PATIENCE = 120;

    private const LEVEL = 5;

    /** Octets: what is larger is made each time. */
    private const MOST = 64_000_000;

    /** s that an answer may be old which follows from everything, for whoever takes it so. */
    private const AGE = 20;

    /** Records between two that are made of all jobs. */
    private const RECORDS = 500;

    /** What a document says of itself. */
    private const SAID = ['content-type', 'content-disposition', 'cache-control', 'x-content-type-options'];

    public function __construct(private Container $container)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string ...$topics): Response
    {
        // What is told since a cursor is told once.
        if (! $request->isMethod('GET') || $request->filled('since')) {
            return $next($request);
        }
        $stored = $this->container->make(StoredInstallation::class);
        $of = array_map(static fn (string $topic): ?string => self::of($topic, $stored, $request), $topics);
        if (in_array(null, $of, true)) {
            return $next($request);
        }
        $name = self::name($request);
        $state = Kept::state(
            $stored->decisions,
            $stored->edition(),
            (string) $stored->version,
            $stored->name,
            ...array_filter($of, is_string(...)),
        );
        $tag = sprintf('W/"%s"', hash('xxh128', $stored->address.$name.$state));
        if (in_array($tag, $request->getETags(), true)) {
            return self::tagged(new Response('', Response::HTTP_NOT_MODIFIED), $tag);
        }
        $kept = Kept::get($stored, $name, $state);

        return self::tagged(
            $kept === null ? $this->made($request, $next, $stored, $name, $state) : self::answer($request, $kept),
            $tag,
        );
    }

    /** @param  Closure(Request): Response  $next */
    private function made(
        Request $request,
        Closure $next,
        StoredInstallation $stored,
        string $name,
        string $state,
    ): Response {
        return Kept::alone($stored, $name, self::PATIENCE, static function () use (
            $request,
            $next,
            $stored,
            $name,
            $state,
        ): Response {
            $kept = Kept::get($stored, $name, $state);
            if ($kept !== null) {
                return self::answer($request, $kept);
            }
            $response = $next($request);
            $packed = self::packed($response);
            if ($packed !== null) {
                Kept::put($stored, $name, $state, $packed);
            }

            return $response;
        });
    }

    /** @return ?string what it is, in one line, and its text; null where it is no answer to keep */
    private static function packed(Response $response): ?string
    {
        if ($response->getStatusCode() !== Response::HTTP_OK) {
            return null;
        }
        $headers = match (true) {
            $response instanceof JsonResponse => [],
            $response::class === Document::class => array_intersect_key(
                $response->headers->all(),
                array_flip(self::SAID),
            ),
            default => null,
        };
        $text = (string) $response->getContent();
        if ($headers === null || strlen($text) > self::MOST) {
            return null;
        }

        return json_encode($headers, JSON_THROW_ON_ERROR)."\n".gzencode($text, self::LEVEL);
    }

    private static function answer(Request $request, string $kept): Response
    {
        [$said, $packed] = explode("\n", $kept, 2);
        $headers = (array) json_decode($said, true, flags: JSON_THROW_ON_ERROR);
        $reads = in_array('gzip', $request->getEncodings(), true);
        $answer = $headers === [] ? Answer::encoded('null') : new Document('', Response::HTTP_OK, $headers);
        $answer->setContent($reads ? $packed : (string) gzdecode($packed));
        if ($reads) {
            $answer->headers->set('Content-Encoding', 'gzip');
            $answer->headers->set('Content-Length', (string) strlen($packed));
        }

        return $answer;
    }

    private static function tagged(Response $response, string $tag): Response
    {
        if ($response->isSuccessful() || $response->getStatusCode() === Response::HTTP_NOT_MODIFIED) {
            $response->headers->set('ETag', $tag);
        }

        return $response;
    }

    /** Below the installation, with what is asked. */
    private static function name(Request $request): string
    {
        return sprintf('answer %s?%s', implode('/', array_slice($request->segments(), 3)), $request->getQueryString());
    }

    /**
     * What somebody records, says or prints, as far as an answer follows from it; null: it is of this moment, and not
     * kept.
     */
    private static function of(string $topic, StoredInstallation $stored, Request $request): ?string
    {
        $of = match ($topic) {
            'record' => implode('.', Touched::last($stored)),
            // Who takes them roughly goes on from there by what is told since.
            'jobs' => $request->boolean('roughly')
                ? (string) intdiv(Touched::last($stored)[0], self::RECORDS)
                : implode('.', Touched::last($stored)),
            'seconds' => $request->boolean('roughly') ? (string) intdiv(now()->getTimestamp(), self::AGE) : null,
            // Labels printed, jobs given.
            'told' => (string) $stored->told,
            'revision' => (string) $stored->revision,
            'milestones' => (string) Touched::milestone($stored),
            // What is left to be made follows from everything that was.
            'parts' => implode('.', $request->boolean('left') ? Touched::last($stored) : Touched::stock($stored)),
            'people' => (string) json_encode([$stored->names(), self::skills($stored)]),
            'roll' => (string) json_encode((new RollPrinter(Cache::store('file'), $stored->id))->summary()),
            'day' => now()->format('Y-m-d'),
            default => throw new InvalidArgumentException(sprintf('No answer follows from "%s".', $topic)),
        };

        return $of === null ? null : $topic.' '.$of;
    }

    /** @return list<mixed> */
    private static function skills(StoredInstallation $stored): array
    {
        return array_values($stored->memberships()->toBase()->pluck('skills')->all());
    }
}

<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Generator;

/**
 * The members of a JSON object (RFC 8259) that is read from a stream as it comes: its members one by one, and the
 * items of one of them without the rest. No more of the text is in memory than the longest member that is asked for.
 */
final class JsonMembers
{
    /** As deep as any part of an installation file, with room. */
    private const DEPTH = 64;

    /** Everything up to the next bracket; what stands in a text is no bracket. */
    private const TO_BRACKET = '~\G(?:[^"{}\[\]]++|"(?:[^"\\\\]++|\\\\.)*+")*+[{}\[\]]~s';

    private const TEXT = '~\G"(?:[^"\\\\]++|\\\\.)*+"~s';

    private string $buffer = '';

    private int $at = 0;

    /** Octets before the buffer. */
    private int $before = 0;

    /**
     * @param  resource  $stream  that can be read again from a place in it
     * @param  positive-int  $chunk  octets that are read at once
     */
    public function __construct(private $stream, private readonly int $chunk = 1 << 20)
    {
    }

    /**
     * @param  string  $but  a member that is passed over, and whose place is remembered
     * @return array{array<array-key, mixed>, ?int} the members, and where the other one's value begins (octets)
     *
     * @throws InvalidDocument where it is no object in JSON
     */
    public function all(string $but): array
    {
        $this->seek(0);
        if ($this->next() === "\xEF" && str_starts_with($this->rest(3), "\xEF\xBB\xBF")) {
            $this->at += 3;
        }
        $this->expect('{');
        $members = [];
        $place = null;
        if ($this->next() === '}') {
            $this->at++;
        } else {
            do {
                $name = $this->name();
                $this->expect(':');
                $this->next();
                if ($name === $but) {
                    $place = $this->before + $this->at;
                    $this->value(false);
                } else {
                    $members[$name] = $this->decoded();
                }
            } while ($this->isMore('}'));
        }
        if ($this->next() !== '') {
            $this->fail('goes on after its end');
        }

        return [$members, $place];
    }

    /**
     * @param  int  $place  where a list begins, in octets
     * @return Generator<int, mixed> its items
     *
     * @throws InvalidDocument where it is no list in JSON
     */
    public function items(int $place): Generator
    {
        $this->seek($place);
        $this->expect('[');
        if ($this->next() === ']') {
            return;
        }
        do {
            $this->next();
            yield $this->decoded();
        } while ($this->isMore(']'));
    }

    /** @return string the octet that a value begins with */
    public function first(int $place): string
    {
        $this->seek($place);

        return $this->next();
    }

    private function seek(int $place): void
    {
        rewind($this->stream);
        fseek($this->stream, $place);
        [$this->buffer, $this->at, $this->before] = ['', 0, $place];
    }

    /** @return bool false: that was all of it */
    private function fill(): bool
    {
        $more = (string) fread($this->stream, $this->chunk);
        $this->buffer .= $more;

        return $more !== '';
    }

    /** What was read is no longer needed. */
    private function forget(): void
    {
        if ($this->at >= $this->chunk) {
            $this->before += $this->at;
            $this->buffer = substr($this->buffer, $this->at);
            $this->at = 0;
        }
    }

    private function rest(int $octets): string
    {
        while (strlen($this->buffer) - $this->at < $octets && $this->fill()) {
        }

        return substr($this->buffer, $this->at, $octets);
    }

    /** The next octet that is no blank, which is not taken; "": the end. */
    private function next(): string
    {
        do {
            $this->at += strspn($this->buffer, " \t\n\r", $this->at);
        } while ($this->at === strlen($this->buffer) && $this->fill());

        return $this->buffer[$this->at] ?? '';
    }

    /** @throws InvalidDocument */
    private function expect(string $octet): void
    {
        if ($this->next() !== $octet) {
            $this->fail(sprintf('has no "%s" where one should be', $octet));
        }
        $this->at++;
    }

    /** @throws InvalidDocument */
    private function isMore(string $end): bool
    {
        $this->forget();
        $next = $this->next();
        if ($next !== ',' && $next !== $end) {
            $this->fail(
                $next === '' ? 'ends before it is whole' : sprintf('has no "," or "%s" where one should be', $end),
            );
        }
        $this->at++;

        return $next === ',';
    }

    /** @throws InvalidDocument */
    private function name(): string
    {
        if ($this->next() !== '"') {
            $this->fail('has no name where one should be');
        }
        $name = json_decode($this->value(true));

        return is_string($name) ? $name : $this->fail('has a name that is no text');
    }

    /** @throws InvalidDocument */
    private function decoded(): mixed
    {
        $text = $this->value(true);
        $value = json_decode($text, true, self::DEPTH);
        if ($value === null && json_last_error() !== JSON_ERROR_NONE) {
            $this->fail(json_last_error_msg());
        }

        return $value;
    }

    /**
     * The text of the value that begins here, which is taken.
     *
     * @param  bool  $kept  whether it is needed; else it is "" and is not held either
     *
     * @throws InvalidDocument
     */
    private function value(bool $kept): string
    {
        $first = $this->buffer[$this->at] ?? '';
        $began = $this->at;
        if ($first === '"') {
            $this->at = $this->past(self::TEXT);
        } elseif ($first === '{' || $first === '[') {
            $depth = 0;
            do {
                $this->at = $this->past(self::TO_BRACKET);
                $depth += match ($this->buffer[$this->at - 1]) {
                    '{', '[' => 1,
                    default => -1,
                };
                if (! $kept) {
                    $this->forget();
                }
            } while ($depth > 0);
        } else {
            do {
                $this->at += strcspn($this->buffer, ",:{}[]\" \t\n\r", $this->at);
            } while ($this->at === strlen($this->buffer) && $this->fill());
        }

        return $kept ? substr($this->buffer, $began, $this->at - $began) : '';
    }

    /** @throws InvalidDocument */
    private function past(string $pattern): int
    {
        while (preg_match($pattern, $this->buffer, $found, 0, $this->at) !== 1) {
            if (! $this->fill()) {
                $this->fail('ends before it is whole');
            }
        }

        return $this->at + strlen($found[0]);
    }

    /** @throws InvalidDocument always */
    private function fail(string $why): never
    {
        throw InvalidDocument::because(
            'file',
            mb_scrub(substr($this->buffer, max(0, $this->at - 20), 40)),
            sprintf(
                'is not JSON (%s, at octet %d). Choose a file that Sartal exported, or see docs/formats.md.',
                $why,
                $this->before + $this->at,
            ),
        );
    }
}

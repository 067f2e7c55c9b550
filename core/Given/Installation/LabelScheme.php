<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/**
 * What is printed on labels: two lines for the end of a run, two for each of
 * its tails, written with tokens in braces.
 */
final readonly class LabelScheme
{
    /** Token → what it stands for. */
    public const TOKENS = [
        'run' => 'the run’s code',
        'end' => 'A or B',
        'leg' => 'the tail’s own number',
        'channel' => 'the channel that the tail carries',
        'loom' => 'the loom’s name',
        'here' => 'where this end is',
        'far' => 'where the other end is',
    ];

    /** @param  int  $limit  most characters in a first line: it has to be read over a radio */
    public function __construct(
        public string $end = '{run}',
        public string $endLine = '{end} to {far}',
        public string $leg = '{leg}',
        public string $legLine = '{run} {end}',
        public int $limit = 12,
    ) {
    }

    /** @return list<string> tokens that it uses and that stand for nothing */
    public function unknown(): array
    {
        preg_match_all('~\{([^}]*)\}~', $this->end.$this->endLine.$this->leg.$this->legLine, $found);

        return array_values(array_diff(array_unique($found[1]), array_keys(self::TOKENS)));
    }

    /** @param  array<int|string, string>  $values  by token */
    public static function filled(string $template, array $values): string
    {
        $text =
            preg_replace_callback(
                '~\{(\w+)\}~',
                static fn (array $match): string => $values[$match[1]] ?? '',
                $template,
            ) ?? '';

        return trim((string) preg_replace('~\s+~', ' ', $text));
    }
}

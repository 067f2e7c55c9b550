<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/** What stands in a quick line, before anything is looked up: "24 mic stage box 1 > amp rack", "4 10 m mic leads". */
final readonly class QuickText
{
    private const LENGTH = '\d+(?:[.,]\d+)?\s*(?:m|cm|mm|ft|in|metres?|meters?|feet|foot|inch(?:es)?|′|″|\'|")';

    /**
     * @param  string  $what  the signal, and of a line where it begins
     * @param  string  $where  of a line where it ends, of a lead where it is kept; "" where that is not said
     * @param  string  $via  ways, as they were said
     * @param  list<Length>  $legsA  of end A, where they were said
     * @param  list<Length>  $legsB
     * @param  string  $legs  as they were said
     * @param  ?Length  $length  of a loose lead; null: it lies in the building
     * @param  string  $long  the same as it was said
     */
    private function __construct(
        public int $count,
        public string $what,
        public string $where,
        public string $via,
        public array $legsA,
        public array $legsB,
        public string $legs,
        public ?Length $length,
        public string $long = '',
    ) {
    }

    /** @throws CannotPropose where it is no such line, naming how to write one */
    public static function read(string $text): self
    {
        $said = self::lead($text) ?? self::line($text);

        return $said->count > 0 ? $said : throw CannotPropose::unsaid('line', $text, 'Say how many: one at least.');
    }

    /** How long, of which signal, perhaps how many and where they are kept. */
    private static function lead(string $text): ?self
    {
        $count = '~^\s*(?:(?<count>\d+)(?:\s*[x×]\s*|\s+))?';
        $where = '(?:\s+(?:in|at|for)\s+(?<where>.+?))?\s*$~ui';
        $forms = [
            $count.'(?<length>'.self::LENGTH.')\s+(?<what>\S.*?)\s+leads?'.$where,
            $count.'(?<what>\S.*?)\s+leads?[\s,]+(?:of\s+)?(?<length>'.self::LENGTH.')'.$where,
            $count.'(?<what>\S.*?)\s+leads?'.$where,
        ];
        if (preg_match('~>|→|\bto\b~ui', $text) === 1) {
            return null;
        }
        foreach ($forms as $form) {
            if (preg_match($form, $text, $m, PREG_UNMATCHED_AS_NULL) === 1) {
                $length = $m['length'] ?? throw CannotPropose::unsaid(
                    'length',
                    $text,
                    'Say how long a lead is from connector to connector, such as 10 m mic lead.',
                );

                return new self(
                    (int) ($m['count'] ?? 1),
                    (string) $m['what'],
                    $m['where'] ?? '',
                    '',
                    [],
                    [],
                    '',
                    self::length($length),
                    $length,
                );
            }
        }

        return null;
    }

    private static function length(string $said): Length
    {
        try {
            return Length::parse(self::unit($said), 'm');
        } catch (InvalidMeasure $invalid) {
            throw CannotPropose::unsaid('length', $said, $invalid->getMessage());
        }
    }

    /** As people write units out. */
    private static function unit(string $length): string
    {
        return (string) preg_replace(
            ['~met(?:re|er)s?$~i', '~(?:feet|foot)$~i', '~inch(?:es)?$~i', '~,~'],
            ['m', 'ft', 'in', '.'],
            trim($length),
        );
    }

    private static function line(string $text): self
    {
        [$rest, $a, $b, $legs] = self::legs($text);
        $said = preg_match(
            '~^\s*(?:(\d+)\s*[x×]?\s+)?(.+?)\s*(?:>|→|\bto\b)\s*(.+?)(?:\s+via\s+(.+))?\s*$~ui',
            $rest,
            $m,
        ) === 1;
        if (! $said) {
            throw CannotPropose::unreadable($text);
        }
        if (preg_match('~>|→~u', $m[3].($m[4] ?? '')) === 1) {
            throw CannotPropose::chained($text);
        }

        return new self($m[1] === '' ? 1 : (int) $m[1], $m[2], $m[3], $m[4] ?? '', $a, $b, $legs, null);
    }

    /**
     * @return array{string, list<Length>, list<Length>, string} the words that are left, and the legs of each end
     *
     * @throws CannotPropose
     */
    private static function legs(string $text): array
    {
        if (preg_match('~^(.+?)[\s,]+(?:with\s+)?legs?\s+(?:of\s+)?([\d.].*)$~ui', $text, $m) !== 1) {
            return [$text, [], [], ''];
        }
        $ends = [];
        $unit = preg_match('~([a-z"′″]+)\s*$~ui', $m[2], $u) === 1 ? $u[1] : 'mm';
        foreach (preg_split('~\s*(?:>|→)\s*~u', trim($m[2])) ?: [] as $said) {
            $ends[] = array_map(
                static function (string $each) use ($unit): Length {
                    try {
                        return Length::parse(trim($each), $unit);
                    } catch (InvalidMeasure) {
                        throw CannotPropose::unsaid('leg_a', $each, 'Write legs such as: legs 300/375 mm.');
                    }
                },
                preg_split('~\s*(?:/|\band\b|,)\s*~u', $said) ?: [],
            );
        }

        return [$m[1], $ends[0] ?? [], $ends[1] ?? $ends[0] ?? [], trim($m[2])];
    }
}

<?php

declare(strict_types=1);

namespace App\Formats;

use BackedEnum;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\BareEnd;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;

/**
 * One line of the schedule as people write it: a CSV row and the form's
 * fields are the same thing, read here and nowhere else.
 */
final class RunLine
{
    public const FIELDS = [
        'code',
        'cable',
        'signals',
        'build',
        'from',
        'to',
        'plans_a',
        'plans_b',
        'ways',
        'tail_a',
        'tail_b',
        'slack_a',
        'slack_b',
        'preparation_a',
        'preparation_b',
        'spares_a',
        'spares_b',
        'leg_a',
        'leg_b',
        'loom',
        'note',
        'bare_a',
        'bare_b',
        'length',
        'sleeve',
    ];

    /** Of a sleeve: the one that goes round the cable. */
    private const BY_SIZE = 'by-size';

    /** Between the entries of a list: no id and hardly a name holds it. */
    public const LIST = '|';

    /** @var list<Slip> */
    private array $slips = [];

    /** @param  array<int|string, string>  $values */
    private function __construct(private readonly array $values, private readonly Installation $installation)
    {
    }

    /**
     * @param  array<int|string, string>  $values  by field; a field that is not there is empty
     *
     * @throws BadLine naming every field that is wrong
     */
    public static function read(array $values, Installation $installation, string $id): RunRequest
    {
        $line = new self(array_map(trim(...), $values), $installation);
        $request = $line->request($id);
        if ($line->slips !== []) {
            throw new BadLine($line->slips);
        }

        return $request;
    }

    /**
     * A run as a line: reading it back asks for the same run.
     *
     * @return array<string, string>
     */
    public static function describe(Run $run, Installation $installation): array
    {
        $signals = [];
        foreach ($run->carries as $carriage) {
            $signals[$installation->circuits()[$carriage->circuit]->signal ?? ''] = true;
        }
        $values = [
            'code' => $run->code,
            'cable' => $run->cable,
            'signals' => implode(self::LIST, array_keys($signals)),
            'build' => $run->build->value,
            'from' => $run->a->location,
            'to' => $run->b->location,
            'plans_a' => self::plans($run->a),
            'plans_b' => self::plans($run->b),
            'ways' => implode(self::LIST, $run->ways),
            'loom' => $run->loom ?? '',
            'note' => $run->note,
            'length' => $run->length === null ? '' : self::metres($run->length),
            'sleeve' => $run->sleeve === '' ? self::BY_SIZE : $run->sleeve ?? '',
        ];
        foreach (['a' => $run->a, 'b' => $run->b] as $side => $end) {
            $values['tail_'.$side] = self::metres($end->tail);
            $values['slack_'.$side] = self::metres($end->slack);
            $values['preparation_'.$side] = self::metres($end->preparation);
            $values['spares_'.$side] = (string) $end->spares;
            $values['bare_'.$side] = $end->bare->value ?? '';
            $values['leg_'.$side] = self::legs($end);
        }

        return array_merge(array_fill_keys(self::FIELDS, ''), $values);
    }

    /**
     * What a run is made of, as against how long it is: when these stay, its wiring stays.
     *
     * @param  array<int|string, string>  $one
     * @param  array<int|string, string>  $other
     */
    public static function makesSameWiring(array $one, array $other): bool
    {
        foreach (['cable', 'signals', 'plans_a', 'plans_b'] as $field) {
            if (($one[$field] ?? '') !== ($other[$field] ?? '')) {
                return false;
            }
        }

        return true;
    }

    /** Whether a field holds lengths. */
    public static function isLength(string $field): bool
    {
        return preg_match('~^(tail|slack|preparation|leg)_|^length$~', $field) === 1;
    }

    /** @return list<string> of a field that holds several */
    public static function entries(string $text): array
    {
        return explode(self::LIST, $text);
    }

    /** One length for all legs, or each by itself in their order. */
    private static function legs(End $end): string
    {
        $lengths = array_map(static fn (Leg $leg): string => self::metres($leg->length), $end->legs);

        return count(array_unique($lengths)) < 2 ? $lengths[0] ?? '0' : implode(self::LIST, $lengths);
    }

    private static function plans(End $end): string
    {
        $plans = [];
        foreach ($end->legs as $leg) {
            if ($leg->landing !== null) {
                $plans[$leg->landing->plan] = true;
            }
        }

        return implode(self::LIST, array_keys($plans));
    }

    private static function metres(Length $length): string
    {
        return rtrim(rtrim(number_format($length->nanometres / 1e9, 9, '.', ''), '0'), '.');
    }

    private function request(string $id): RunRequest
    {
        $catalogue = $this->installation->catalogue;
        $build = $this->build();

        return new RunRequest(
            $id,
            $this->code(),
            $this->oneOf('cable', $catalogue->cables(), 'cable type'),
            $this->listOf('signals', $catalogue->signals(), 'signal', true),
            $build,
            $this->end('a', 'from'),
            // A loose lead belongs in one place: it is said once.
            $this->end('b', $build === Build::Lead && ($this->values['to'] ?? '') === '' ? 'from' : 'to'),
            $this->listOf('ways', $this->installation->ways(), 'way', false),
            ($this->values['loom'] ?? '') === '' ? null : $this->oneOf('loom', $this->installation->looms(), 'loom'),
            $this->text('note', 500),
            $this->lead($build),
            sleeve: $this->sleeve(),
        );
    }

    private function code(): string
    {
        $code = $this->text('code', 40);
        if ($code === '') {
            $this->slip('code', 'Give the run a code, such as A-114.');
        } elseif (preg_match('~^[\p{L}\p{N}][\p{L}\p{N} ./_-]*$~u', $code) !== 1) {
            $this->slip('code', 'Use letters, digits, blanks and . / _ - only, and begin with a letter or digit.');
        }

        return $code;
    }

    private function build(): Build
    {
        $value = strtolower($this->values['build'] ?? '');
        $build = $value === '' ? Build::Shop : Build::tryFrom($value);
        if ($build === null) {
            $this->slip('build', self::choices(Build::cases()));
        }

        return $build ?? Build::Shop;
    }

    /** @param  non-empty-list<BackedEnum>  $cases */
    private static function choices(array $cases): string
    {
        $values = array_map(static fn (BackedEnum $case): string => (string) $case->value, $cases);

        return 'Write one of: '.implode(', ', $values).'.';
    }

    /** What lies in no building has a length of its own, and nothing that is of a building. */
    private function lead(Build $build): ?Length
    {
        $isLead = $build === Build::Lead;
        $text = $this->values['length'] ?? '';
        if (! $isLead && $text !== '') {
            $this->slip('length', 'Only a loose lead has a length of its own. Take it away, or make this a lead.');
        }
        foreach ($isLead ? ['ways', 'loom'] : [] as $field) {
            if (($this->values[$field] ?? '') !== '') {
                $this->slip($field, 'A loose lead lies in no building. Take this away, or make it at the bench.');
            }
        }
        if ($isLead && $text === '') {
            $this->slip('length', 'Write how long the lead is from connector to connector, such as 2 m or 8 in.');
        }

        return $isLead && $text !== '' ? $this->length('length', 200) : null;
    }

    private function sleeve(): ?string
    {
        $text = $this->values['sleeve'] ?? '';
        if ($text === '' || mb_strtolower($text) === self::BY_SIZE) {
            return $text === '' ? null : '';
        }
        $sleeves = array_filter(
            $this->installation->catalogue->parts(),
            static fn (Part $part): bool => $part->kind === PartKind::Sleeve,
        );
        $found = $this->find($text, $sleeves);
        if ($found === null) {
            $known = implode(', ', array_keys($sleeves));
            $this->slip('sleeve', sprintf('Write %s, or one of: %s.', self::BY_SIZE, $known));
        }

        return $found;
    }

    private function bare(string $side): ?BareEnd
    {
        $value = strtolower($this->values['bare_'.$side] ?? '');
        if ($value === '') {
            return null;
        }
        $bare = BareEnd::tryFrom($value);
        if ($bare === null) {
            $this->slip('bare_'.$side, self::choices(BareEnd::cases()));
        } elseif (($this->values['plans_'.$side] ?? '') !== '') {
            $this->slip('bare_'.$side, 'An end with a connector is not left bare. Take away one of the two.');
        }

        return $bare;
    }

    private function end(string $side, string $location): Termination
    {
        $legs = $this->lengths('leg_'.$side, 50);

        return new Termination(
            $this->oneOf($location, $this->installation->locations(), 'location'),
            $this->listOf('plans_'.$side, $this->installation->catalogue->plans(), 'contact plan', false),
            $this->length('tail_'.$side, 500),
            $this->length('slack_'.$side, 50),
            $this->length('preparation_'.$side, 5),
            $this->spares('spares_'.$side),
            $legs[0] ?? Length::zero(),
            $this->bare($side),
            $legs,
        );
    }

    /** @return list<Length> */
    private function lengths(string $field, int $most): array
    {
        $text = $this->values[$field] ?? '';

        return array_map(
            fn (string $each): Length => $this->length($field, $most, trim($each)),
            $text === '' ? [] : explode(self::LIST, $text),
        );
    }

    private function length(string $field, int $most, ?string $said = null): Length
    {
        $text = $said ?? $this->values[$field] ?? '';
        if ($text === '') {
            return Length::zero();
        }
        try {
            $length = Length::parse($text, 'm');
        } catch (InvalidMeasure $invalid) {
            $this->slip($field, $invalid->getMessage());

            return Length::zero();
        }
        if ($length->isNegative()) {
            $this->slip($field, 'Give a length of nothing or more.');
        } elseif ($length->compare(Length::metres($most)) > 0) {
            $this->slip($field, sprintf('This is more than %d m. Check the unit.', $most));
        }

        return $length;
    }

    private function spares(string $field): int
    {
        $text = $this->values[$field] ?? '';
        if ($text === '') {
            return 0;
        }
        if (preg_match('~^\d{1,2}$~', $text) !== 1 || (int) $text > 20) {
            $this->slip($field, 'Write a whole number from 0 to 20.');

            return 0;
        }

        return (int) $text;
    }

    private function text(string $field, int $most): string
    {
        $text = $this->values[$field] ?? '';
        if (! mb_check_encoding($text, 'UTF-8') || preg_match('/[\x00-\x1F]/', $text) === 1) {
            $this->slip($field, 'It holds characters that cannot be printed. Remove them.');

            return '';
        }
        if (mb_strlen($text) > $most) {
            $this->slip($field, sprintf('Shorten it to %d characters.', $most));
        }

        return $text;
    }

    /** @param  array<int|string, object{id: string, name: string}>  $known */
    private function oneOf(string $field, array $known, string $what): string
    {
        $found = $this->find($this->values[$field] ?? '', $known);
        if ($found === null) {
            $this->slip(
                $field,
                ($this->values[$field] ?? '') === '' ? sprintf('Choose a %s.', $what) : $this->unknown($what, $known),
            );
        }

        return $found ?? '';
    }

    /**
     * @param  array<int|string, object{id: string, name: string}>  $known
     * @return list<string>
     */
    private function listOf(string $field, array $known, string $what, bool $needed): array
    {
        $ids = [];
        $text = $this->values[$field] ?? '';
        foreach ($text === '' ? [] : explode(self::LIST, $text) as $entry) {
            $id = $this->find(trim($entry), $known);
            if ($id === null) {
                $this->slip(
                    $field,
                    sprintf('"%s": ', mb_strimwidth(trim($entry), 0, 40, '…')).$this->unknown($what, $known),
                );
            } else {
                $ids[] = $id;
            }
        }
        if ($needed && $text === '') {
            $this->slip($field, sprintf('Choose a %s.', $what));
        }

        return $ids;
    }

    /** @param  array<int|string, object{id: string, name: string}>  $known */
    private function unknown(string $what, array $known): string
    {
        $some = array_slice(array_map(strval(...), array_keys($known)), 0, 4);

        return sprintf(
            'There is no such %s. %s',
            $what,
            $some === []
                ? 'Add it first.'
                : 'Write the id or the name of one that exists, such as '.implode(', ', $some).'.',
        );
    }

    /**
     * By id, else by name however it is capitalised.
     *
     * @param  array<int|string, object{id: string, name: string}>  $known
     */
    private function find(string $text, array $known): ?string
    {
        if (isset($known[$text])) {
            return $text;
        }
        foreach ($known as $id => $thing) {
            if ($text !== '' && mb_strtolower($thing->name) === mb_strtolower($text)) {
                return (string) $id;
            }
        }

        return null;
    }

    private function slip(string $field, string $remedy): void
    {
        $this->slips[] = new Slip($field, mb_strimwidth(mb_scrub($this->values[$field] ?? ''), 0, 80, '…'), $remedy);
    }
}

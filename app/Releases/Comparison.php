<?php

declare(strict_types=1);

namespace App\Releases;

use App\Planning\Loaded;
use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Ways\Routing\Hop;

/**
 * Two states of one installation, line by line and field by field, in the words that people use of them.
 *
 * @phpstan-type Field array{field: string, was: string, is: string}
 * @phpstan-type Differing array{
 *     kind: string,
 *     name: string,
 *     change: 'added'|'removed'|'changed'|'withdrawn',
 *     fields: list<Field>,
 * }
 */
final class Comparison
{
    private const JOINTS = 12;

    /**
     * @return list<Differing>
     */
    public static function between(Loaded $before, Loaded $after): array
    {
        $lines = self::runs($before, $after);
        [$was, $is] = [
            FileEncoder::installation($before->installation->withCatalogue($before->pinned)),
            FileEncoder::installation($after->installation->withCatalogue($after->pinned)),
        ];
        foreach (self::shared() as $list => $words) {
            array_push($lines, ...self::lists($words, self::keyed($was[$list] ?? []), self::keyed($is[$list] ?? [])));
        }
        foreach (DecisionKind::offered() as $kind) {
            $list = $kind->list();
            array_push(
                $lines,
                ...array_filter(
                    self::lists(
                        $kind->words(),
                        self::keyed(((array) $was['catalogue'])[$list] ?? []),
                        self::keyed(((array) $is['catalogue'])[$list] ?? []),
                    ),
                    static fn (array $line): bool => $line['change'] === 'changed',
                ),
            );
        }
        $rules = self::fields(self::flat(self::rules($was)), self::flat(self::rules($is)));
        if ($rules !== []) {
            $lines[] = ['kind' => 'house rules', 'name' => '', 'change' => 'changed', 'fields' => $rules];
        }
        foreach (
            ['matings' => 'what is plugged together', 'links' => 'jumpers', 'testing' => 'test plan'] as $whole => $kind
        ) {
            if (json_encode($was[$whole] ?? []) !== json_encode($is[$whole] ?? [])) {
                $lines[] = [
                    'kind' => $kind,
                    'name' => '',
                    'change' => 'changed',
                    'fields' => self::fields(
                        self::flat((array) ($was[$whole] ?? [])),
                        self::flat((array) ($is[$whole] ?? [])),
                    ),
                ];
            }
        }

        return $lines;
    }

    /** @param  \Closure(Leg): string  $says  "": nothing */
    private static function legs(End $end, \Closure $says): string
    {
        $words = [];
        foreach ($end->legs as $leg) {
            $said = $says($leg);
            if ($said !== '') {
                $words[] = count($end->legs) > 1 ? $leg->label.' '.$said : $said;
            }
        }

        return implode(', ', $words);
    }

    private static function sleeve(?string $sleeve, Installation $in): string
    {
        return match ($sleeve) {
            null => '',
            '' => 'whichever goes round',
            default => $in->catalogue->part($sleeve)->name ?? $sleeve,
        };
    }

    private static function measured(End $end): string
    {
        $legs = array_filter($end->legs, static fn (Leg $leg): bool => $leg->onEquipment);
        $words = array_map(
            static fn (Leg $leg): string => $leg->label.' '.($leg->measured?->canonical() ?? 'not yet'),
            $legs,
        );

        return implode(', ', $words);
    }

    /**
     * @return array<int|string, string> what runs share, as the file lists it → as it is called; stock is no part of
     *     the plan
     */
    private static function shared(): array
    {
        $shared = [];
        foreach (DecisionKind::entries() as $kind) {
            if ($kind->overtakes()) {
                $shared[$kind->list()] = $kind->words();
            }
        }

        return $shared + ['switches' => 'switch'];
    }

    /**
     * @return list<Differing>
     */
    private static function runs(Loaded $before, Loaded $after): array
    {
        $lines = [];
        $by = self::edition($before)->value < self::edition($after)->value
            ? self::edition($before)
            : self::edition($after);
        foreach ($after->installation->runs() as $id => $run) {
            $was = $before->installation->runs()[$id] ?? null;
            $is = self::run($run, $after, $by);
            if ($was === null) {
                $lines[] = [
                    'kind' => 'run',
                    'name' => $run->code,
                    'change' => 'added',
                    'fields' => self::fields([], $is),
                ];

                continue;
            }
            $fields = self::fields(self::run($was, $before, $by), $is);
            if ($fields !== []) {
                $lines[] = [
                    'kind' => 'run',
                    'name' => $run->code,
                    'change' => ! $was->withdrawn && $run->withdrawn ? 'withdrawn' : 'changed',
                    'fields' => $fields,
                ];
            }
        }
        foreach (array_diff_key($before->installation->runs(), $after->installation->runs()) as $run) {
            $lines[] = ['kind' => 'run', 'name' => $run->code, 'change' => 'removed', 'fields' => []];
        }

        return $lines;
    }

    /** By what lengths are reckoned: a state from before there were procedures knows nothing of what they use up. */
    private static function edition(Loaded $state): Edition
    {
        return $state->pinned->former->isAlone ? Edition::Second : Edition::now();
    }

    /**
     * @param  Edition  $by  the older one of both states: what only the other reckons with, nobody has changed
     * @return array<int|string, string> field → what it says
     */
    private static function run(Run $run, Loaded $in, Edition $by): array
    {
        $installation = $in->installation;
        $plan = $in->plan()->runs[$run->id];
        $fields = [
            'code' => $run->code,
            'cable' => $installation->catalogue->cables()[$run->cable]->name ?? $run->cable,
            'made' => match ($run->build) {
                Build::Shop => 'at the bench',
                Build::Site => 'in place',
                Build::Found => 'found',
                Build::Lead => 'a loose lead',
            },
            'length' => $run->length?->canonical() ?? '',
            'from' => $installation->locationName($run->a->location),
            'to' => $installation->locationName($run->b->location),
            'ways' => implode(
                ', ',
                array_map(static fn (Hop $hop): string => $hop->way->name, $plan->lay->route->hops),
            ),
            'loom' => $installation->looms()[$run->loom ?? '']->name ?? '',
            'cut length' => $plan->cut->known($by)->canonical(),
            'sleeve' => self::sleeve($run->sleeve, $installation),
            'note' => $run->note,
            'withdrawn' => $run->withdrawn ? 'yes' : '',
        ];
        foreach (['A' => $run->a, 'B' => $run->b] as $side => $end) {
            $fields += [
                "tail {$side}" => $end->tail->canonical(),
                "slack {$side}" => $end->slack->canonical(),
                "preparation {$side}" => $end->preparation->canonical(),
                "spares {$side}" => (string) $end->spares,
                "left {$side}" => $end->bare?->words() ?? '',
                "legs {$side}" => self::legs($end, static fn (Leg $leg): string => $leg->length->canonical()),
                "legs sleeved {$side}" => self::legs(
                    $end,
                    static fn (Leg $leg): string => self::sleeve($leg->sleeve, $installation),
                ),
                "measured on the equipment {$side}" => self::measured($end),
                "parts chosen {$side}" => self::legs(
                    $end,
                    static fn (Leg $leg): string => implode(' + ', array_map(
                        static fn (string $part): string => $installation->catalogue->part($part)->name ?? $part,
                        $installation->fitting($leg->landing->fitting ?? '')->parts ?? [],
                    )),
                ),
                "answered for the end {$side}" => implode(', ', array_map(
                    static fn (School $own): string => $own::question().' '.$own->words(),
                    $end->own,
                )),
                "connectors {$side}" => implode(
                    ', ',
                    array_map(
                        static fn ($leg): string => (
                            $installation->catalogue->connectors()[
                                $installation->fittings()[$leg->landing->fitting ?? '']->connector ?? ''
                            ] ?? null
                        )->name ?? 'bare',
                        $end->legs,
                    ),
                ),
            ];
        }

        return $fields + self::joints($plan, $installation) + self::labels($plan);
    }

    /** @return array<int|string, string> */
    private static function joints(RunPlan $plan, Installation $in): array
    {
        $fields = [];
        foreach ($plan->ends() as $side => $end) {
            foreach ($end->joints as $joint) {
                $fields[sprintf('%s, end %s', $joint->conductor, $side)] = self::joint($joint, $in);
            }
            foreach ($end->unused as $unused) {
                $fields[sprintf('%s, end %s', $unused->conductor, $side)] = 'open: '.$unused->reason;
            }
        }

        return $fields;
    }

    private static function joint(Joint $joint, Installation $in): string
    {
        $fitting = Node::fitting($joint->to);

        return trim(
            ($in->fittings()[$fitting ?? '']->label ?? ($fitting ?? 'splice')).' '.Node::address($joint->to),
        );
    }

    /** @return array<int|string, string> */
    private static function labels(RunPlan $plan): array
    {
        $fields = [];
        foreach ($plan->labels as $label) {
            $fields[self::label($label)] = trim(
                $label->code.' '.$label->end.($label->line === '' ? '' : ', '.$label->line),
            );
        }

        return $fields;
    }

    private static function label(Label $label): string
    {
        return sprintf('label %s%s', $label->side->value, $label->leg === '' ? '' : ' tail '.$label->leg);
    }

    /**
     * @param  array<int|string, mixed>  $was
     * @param  array<int|string, mixed>  $is
     * @return list<Differing>
     */
    private static function lists(string $kind, array $was, array $is): array
    {
        $lines = [];
        foreach ($is + $was as $id => $entry) {
            $change = match (true) {
                ! isset($was[$id]) => 'added',
                ! isset($is[$id]) => 'removed',
                json_encode($was[$id]) !== json_encode($is[$id]) => 'changed',
                default => '',
            };
            if ($change !== '') {
                $lines[] = [
                    'kind' => $kind,
                    'name' => self::name($entry, (string) $id),
                    'change' => $change,
                    'fields' => $change === 'changed'
                            ? self::fields(self::flat((array) $was[$id]), self::flat((array) $is[$id]))
                            : [],
                ];
            }
        }

        return $lines;
    }

    /** @return array<int|string, mixed> by id */
    private static function keyed(mixed $list): array
    {
        $keyed = [];
        foreach (is_array($list) ? $list : [] as $entry) {
            $shape = json_decode((string) json_encode($entry), true);
            if (is_array($shape) && is_string($shape['id'] ?? null)) {
                $keyed[$shape['id']] = $shape;
            }
        }

        return $keyed;
    }

    private static function name(mixed $entry, string $id): string
    {
        $name = is_array($entry) ? $entry['name'] ?? ($entry['label'] ?? $id) : $id;

        return is_string($name) && $name !== '' ? $name : $id;
    }

    /**
     * @param  array<int|string, mixed>  $file
     * @return array<array-key, mixed>
     */
    private static function rules(array $file): array
    {
        return is_array($file['installation']) && is_array($file['installation']['rules'] ?? null)
            ? $file['installation']['rules']
            : [];
    }

    /**
     * @param  array<array-key, mixed>  $of
     * @return array<int|string, string> "what, its part" → what it says
     */
    private static function flat(array $of, string $under = ''): array
    {
        $flat = [];
        foreach ($of as $key => $value) {
            $name =
                ($under === '' ? '' : $under.', ').
                strtolower((string) preg_replace('~(?<=[a-z])(?=[A-Z])~', ' ', (string) $key));
            if (is_array($value) && $value !== []) {
                $flat += self::flat($value, $name);
            } else {
                $flat[$name] = is_scalar($value) ? (is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value) : '';
            }
        }

        return $flat;
    }

    /**
     * @param  array<int|string, string>  $was
     * @param  array<int|string, string>  $is
     * @return list<array{field: string, was: string, is: string}>
     */
    private static function fields(array $was, array $is): array
    {
        $fields = [];
        $joints = 0;
        foreach ($is + $was as $field => $_) {
            [$one, $other] = [$was[$field] ?? '', $is[$field] ?? ''];
            if ($one === $other) {
                continue;
            }
            // Of a whole connector that changes, the first contacts say what happens to the rest.
            $joints += str_contains((string) $field, ', end ') ? 1 : 0;
            if ($joints <= self::JOINTS || ! str_contains((string) $field, ', end ')) {
                $fields[] = ['field' => (string) $field, 'was' => $one, 'is' => $other];
            }
        }
        if ($joints > self::JOINTS) {
            $fields[] = ['field' => 'and more joints', 'was' => '', 'is' => (string) ($joints - self::JOINTS)];
        }

        return $fields;
    }
}

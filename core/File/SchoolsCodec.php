<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Departure;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\School;

/** Answers to the house's questions, where they hold for less than the house (docs/formats.md). */
final class SchoolsCodec
{
    /** @return list<School> of one end */
    public static function own(Fields $fields): array
    {
        $own = self::answers($fields, [Latitude::End]);
        $fields->done();

        return $own;
    }

    /**
     * @param  list<School>  $own
     * @return array<int|string, int|string>
     */
    public static function encodeOwn(array $own): array
    {
        $answers = [];
        foreach ($own as $choice) {
            $answers[$choice::key()] = $choice->value;
        }
        ksort($answers);

        return $answers;
    }

    /** @return list<Departure> of one family or loom */
    public static function departures(Fields $fields): array
    {
        $of = $fields->has('loom') ? DepartureOf::Loom : DepartureOf::Family;
        $id = $fields->name($of->value);

        return array_map(
            static fn (School $choice): Departure => new Departure($of, $id, $choice),
            self::answers($fields, [Latitude::End, Latitude::Group]),
        );
    }

    /**
     * @param  list<Departure>  $departures
     * @return list<array<int|string, int|string>> one for each family and loom
     */
    public static function encodeDepartures(array $departures): array
    {
        $entries = [];
        foreach ($departures as $each) {
            $entries[$each->of->value.' '.$each->id] ??= [$each->of->value => $each->id];
            $entries[$each->of->value.' '.$each->id][$each->choice::key()] = $each->choice->value;
        }

        return array_values($entries);
    }

    /**
     * @param  list<Latitude>  $allowed
     * @return list<School>
     */
    private static function answers(Fields $fields, array $allowed): array
    {
        $answers = [];
        foreach (HouseRules::SCHOOLS as $school) {
            if (! $fields->has($school::key())) {
                continue;
            }
            if (in_array($school::latitude(), $allowed, true)) {
                $answers[] = $fields->choice($school::key(), $school);
            } else {
                $fields->wrong($school::key(), $fields->text($school::key()), sprintf(
                    'holds for %s. Leave it out here, and answer it there.',
                    $school::latitude() === Latitude::House ? 'the whole installation' : 'a cable as a whole',
                ), null);
            }
        }

        return $answers;
    }
}

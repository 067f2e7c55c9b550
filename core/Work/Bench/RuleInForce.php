<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Departure;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\School;

/** An answer as it holds for one end, and for what it does where that is less than the house. */
final readonly class RuleInForce
{
    /**
     * @param  bool  $own  the end's own
     * @param  string  $for  "loom Stage", "multicore cable", "this end"; "" the house
     */
    private function __construct(public School $answer, public bool $own, public string $for)
    {
    }

    /** @param  class-string<School>  $school */
    public static function of(string $school, Run $run, Side $side, Installation $in): self
    {
        $answer = $in->rulesFor($run, $side)->on($school);
        foreach ($run->end($side)->own as $own) {
            if ($own::class === $school) {
                return new self($answer, true, 'this end');
            }
        }
        $family = $in->catalogue->cable($run->cable)->family ?? '';
        $departure = $in->rules()->departure($school, $family, $run->loom ?? '');

        return new self($answer, false, $departure === null ? '' : self::words($departure, $in));
    }

    private static function words(Departure $departure, Installation $in): string
    {
        return $departure->of === DepartureOf::Loom
            ? 'loom '.($in->loom($departure->id)->name ?? $departure->id)
            : $departure->id.' cable';
    }
}

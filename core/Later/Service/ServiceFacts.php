<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Ways\Routing\Cargo;

/** What was decided, as far as service asks for it: which runs there are, what they are of, how often it is tested. */
final readonly class ServiceFacts
{
    /**
     * @param  array<int|string, string>  $codes  by run
     * @param  array<int|string, array{runs: list<string>, mains: bool, withdrawn: bool}>  $assemblies  by id
     * @param  int  $months  between two tests in place; 0: never
     * @param  int  $mainsMonths  the same of what carries mains; 0: as of everything else
     */
    public function __construct(
        public array $codes,
        public array $assemblies,
        public int $months,
        public int $mainsMonths,
    ) {
    }

    public static function of(Installation $installation, Plan $plan): self
    {
        $codes = [];
        foreach ($installation->runs() as $id => $run) {
            $codes[$id] = $run->code;
        }

        return new self(
            $codes,
            array_map(
                static fn (Assembly $assembly): array => [
                    'runs' => $assembly->runs,
                    'mains' => self::isMains($assembly, $installation),
                    'withdrawn' => self::isWithdrawn($assembly, $installation),
                ],
                $plan->assemblies,
            ),
            $installation->testing()->retestMonths,
            $installation->testing()->mainsMonths,
        );
    }

    /** @return array<int|string, string> assembly, by run */
    public function assemblyOf(): array
    {
        $of = [];
        foreach ($this->assemblies as $id => $assembly) {
            $of += array_fill_keys($assembly['runs'], (string) $id);
        }

        return $of;
    }

    private static function isMains(Assembly $assembly, Installation $in): bool
    {
        foreach ($assembly->runs as $run) {
            $cable = $in->catalogue->cable($in->theRun($run)->cable);
            if ($cable !== null && Cargo::from($cable)->mains) {
                return true;
            }
        }

        return false;
    }

    private static function isWithdrawn(Assembly $assembly, Installation $in): bool
    {
        return array_filter($assembly->runs, static fn (string $run): bool => ! $in->theRun($run)->withdrawn) === [];
    }
}

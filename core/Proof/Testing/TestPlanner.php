<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;

/**
 * Which methods an assembly is put to at each stage. What follows from its
 * wiring is taken unless the house chose otherwise for a family of its
 * connectors; what mains needs is always there, and no lamp is put to it.
 * Source: common practice; IEC 60364-6 for what is proven before mains is
 * energised: continuity of protective earth, insulation, polarity (from
 * memory); polarity is read with the ohmmeter that reads the earth.
 */
final readonly class TestPlanner
{
    /** What mains is put to, in this order; a lamp is for signal. */
    private const MAINS = [Method::Ohms, Method::Insulation];

    public function __construct(private Installation $installation)
    {
    }

    public function plan(Assembly $assembly, Expectation $expectation, TestStage $stage): TestPlan
    {
        $usual = $this->usual($expectation, $stage);
        $chosen = [];
        $isChosen = false;
        foreach ($this->families($assembly) as $family) {
            $rule = $this->installation->testing()->on($family, $stage);
            $isChosen = $isChosen || $rule !== null;
            foreach ($rule ?? array_keys($usual) as $method) {
                $method = $method instanceof Method ? $method : Method::from($method);
                $chosen[$method->value] = $rule !== null || ($usual[$method->value] ?? [false, ''])[0];
            }
        }
        $mains = $expectation->setup->makeup->mains && $stage !== TestStage::BeforeClosing;
        foreach ($mains ? self::MAINS : [] as $method) {
            $chosen[$method->value] = true;
        }
        $tests = [];
        foreach (self::order($mains) as $method) {
            if (isset($chosen[$method->value]) && $expectation->senses()->questions($method) !== []) {
                $licensed = $mains && in_array($method, self::MAINS, true);
                $tests[] = new PlannedTest(
                    $method,
                    $this->why($method, $expectation, $usual, $isChosen, $mains),
                    Methods::card($method)->limit,
                    $licensed,
                    $chosen[$method->value],
                );
            }
        }

        return new TestPlan($stage, $tests);
    }

    /** @return list<string> of the connectors of an assembly */
    public function families(Assembly $assembly): array
    {
        $families = [];
        foreach ($assembly->fittings as $id) {
            $type = $this->installation->catalogue->connector($this->installation->fitting($id)->connector ?? '');
            $families[$type->family ?? ''] = true;
        }

        return array_map(strval(...), array_keys($families === [] ? ['' => true] : $families));
    }

    /** @return array<int|string, array{bool, string}> method → whether it is binding, and why it is there */
    private function usual(Expectation $expectation, TestStage $stage): array
    {
        $makeup = $expectation->setup->makeup;
        if ($stage === TestStage::BeforeClosing) {
            return [
                'eyes-a' => [false, 'only colours show what was done alike at both ends'],
                'eyes-b' => [false, 'only colours show what was done alike at both ends'],
            ];
        }
        $usual = [
            'map' => [true, 'every path that should be, and none that should not'],
            'shells' => [true, 'a bond to the shell shows only where the shell is probed'],
        ];
        if ($expectation->states !== []) {
            $usual['switches'] = [true, 'a switch that does not move shows only when it is moved'];
        }
        if ($makeup->category) {
            $usual['pairs'] = [true, 'a split pair passes continuity'];
        }
        if (self::hasParallelCores($expectation)) {
            $usual['ohms'] = [false, 'one open core of two side by side shows in resistance alone'];
        }
        if ($stage === TestStage::Installed) {
            if ($makeup->category) {
                $usual['certifier'] = [false, 'length, delay and loop resistance of what was pulled'];
            } elseif ($expectation->setup->pairs !== [] && ! $makeup->mains) {
                $usual['noise'] = [false, 'what hums passes every map'];
            }
        } else {
            $usual['wiggle'] = [false, 'a joint that comes and goes conducts while it lies still'];
        }

        return $usual;
    }

    /** @return list<Method> */
    private static function order(bool $mains): array
    {
        $first = $mains ? self::MAINS : [];

        return [
            ...$first,
            ...array_values(
                array_filter(
                    [
                        Method::EyesA,
                        Method::EyesB,
                        Method::Map,
                        Method::Shells,
                        Method::All,
                        Method::Switches,
                        Method::Pairs,
                        Method::Wiggle,
                        Method::Ohms,
                        Method::Insulation,
                        Method::Capacitance,
                        Method::Noise,
                        Method::Certifier,
                    ],
                    static fn (Method $method): bool => ! in_array($method, $first, true),
                ),
            ),
        ];
    }

    /** @param  array<int|string, array{bool, string}>  $usual */
    private function why(Method $method, Expectation $expectation, array $usual, bool $isChosen, bool $mains): string
    {
        return match (true) {
            $mains && $method === Method::Ohms => 'protective earth, then polarity, before it is energised',
            $mains && $method === Method::Insulation => 'mains to mains, to signal and to screen, before it is '.
                'energised',
            isset($usual[$method->value]) => $usual[$method->value][1],
            $isChosen => 'the house wants it on these connectors',
            default => '',
        };
    }

    /** Two cores that meet at both ends: a lamp lights through the one that is left. */
    private static function hasParallelCores(Expectation $expectation): bool
    {
        $between = [];
        foreach ($expectation->wiring->edges as $edge) {
            if ($edge->kind !== EdgeKind::Conductor || isset($expectation->setup->makeup->bare[$edge->id])) {
                continue;
            }
            $ends = [];
            foreach ([$edge->from, $edge->to] as $end) {
                foreach ($expectation->wiring->at($end) as $joint) {
                    if ($joint->kind === EdgeKind::Joint) {
                        $ends[] = $joint->to;
                    }
                }
            }
            $key = implode('|', $ends);
            if (count($ends) === 2 && isset($between[$key])) {
                return true;
            }
            $between[$key] = true;
        }

        return false;
    }
}

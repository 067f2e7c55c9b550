<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** A contact or a ferrule on each core, one confirmed after the other. */
final readonly class ContactSteps
{
    private const CONDUCTORS = [PieceKind::Metal, PieceKind::Drain, PieceKind::Braid, PieceKind::Lapped];

    public function __construct(
        private OperationDraft $draft,
        private WireFerrules $wires,
        private FormerSteps $former,
        private CableType $cable,
    ) {
    }

    /** @return list<string> their operations; cores that share a contact have one */
    public function of(
        StepMade $step,
        SheetLeg $leg,
        SheetFitting $fitting,
        StepOperation $make,
        Spot $spot,
        int $turn,
    ): array {
        $made = array_flip($step->doing->keys());
        $isSoldered = $step->step->verb === Verb::SolderOn;
        $ids = $byContact = [];
        foreach ($leg->preparation->cores as $core) {
            $conductor = $core->joint->conductor;
            $address = $core->joint->address();
            if (! self::isOf($made, $conductor) || isset($byContact[$address])) {
                continue;
            }
            $byContact[$address] = true;
            $contact = $step->step->verb === Verb::Ferrule
                ? $this->ferrule($leg, $made, $core)
                : ($leg->preparation->contacts[0] ?? null);
            if ($contact === null && $step->step->verb === Verb::Ferrule) {
                // What a ferrule is not for goes under the screw as it is.
                continue;
            }
            $id = StepId::ofLeg($spot->run, $spot->side, $spot->leg, StepKind::Crimp, $conductor);
            $ids[] = $this->draft->add(
                $make->of(
                    $id,
                    $step,
                    $spot,
                    Phase::Bare,
                    $turn,
                    // By recipes a contact was soldered where it was joined.
                    $this->former->same(
                        $isSoldered ? StepId::ofFitting($spot->fitting, StepKind::Join, $address) : $id,
                    ),
                    words: ($isSoldered ? 'Solder on ' : 'Put on ').lcfirst($contact->name ?? 'the contact'),
                    part: $contact->id ?? '',
                    amount: 1.0,
                    cores: [BenchCore::from($core, $this->cable)],
                    address: $address,
                    joining: $fitting->layout->terminal($address)?->joining,
                    like: 'crimp|'.($contact->id ?? ''),
                    tool: $isSoldered ? $step->step->tool : $contact->tool ?? '',
                ),
            );
        }

        return $ids;
    }

    /** @param  array<int|string, int>  $made  pieces that the step is done to */
    private static function isOf(array $made, string $conductor): bool
    {
        foreach (self::CONDUCTORS as $kind) {
            if (isset($made[$kind->value.' '.$conductor])) {
                return true;
            }
        }

        return false;
    }

    /**
     * One for all that go under a screw together, where one is rated for them.
     *
     * @param  array<int|string, int>  $made  pieces that the step is done to
     */
    private function ferrule(SheetLeg $leg, array $made, CoreCut $first): ?Part
    {
        $conductors = $this->cable->conductors();
        $together = [];
        foreach ($leg->preparation->cores as $core) {
            $of = $core->joint->address() === $first->joint->address() && self::isOf($made, $core->joint->conductor)
                ? $conductors[$core->joint->conductor] ?? null
                : null;
            array_push($together, ...$of === null ? [] : [$of]);
        }

        return ($together === [] ? null : $this->wires->onAll($together)) ??
            $this->wires->on($conductors[$first->joint->conductor] ?? null);
    }
}

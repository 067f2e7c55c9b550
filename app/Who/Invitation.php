<?php

declare(strict_types=1);

namespace App\Who;

use Carbon\CarbonInterface;

/**
 * What came of inviting somebody: a link to hand over, or nothing to hand over because it was mailed.
 *
 * @phpstan-type InvitationShown array{link: ?string, mailedTo: ?string, until: string}
 */
final readonly class Invitation
{
    public function __construct(public ?string $link, public ?string $mailedTo, public CarbonInterface $until)
    {
    }

    /** @return InvitationShown */
    public function shape(): array
    {
        return [
            'link' => $this->link,
            'mailedTo' => $this->mailedTo,
            'until' => $this->until->toImmutable()->utc()->format('Y-m-d\TH:i:s\Z'),
        ];
    }
}

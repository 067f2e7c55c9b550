<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;

/** What is joined without a run, of what says it in the shape of a file. */
final class Joined
{
    /**
     * @param  array<int|string, mixed>  $data
     * @return array{matings: list<Mating>, links: list<Link>, switches: array<int|string, PanelSwitch>, ...}
     */
    public static function in(array $data): array
    {
        $problems = new Problems();
        $joined = FileDecoder::connections(Fields::from($data, 'panel', $problems));
        $problems->settle();

        return $joined;
    }
}

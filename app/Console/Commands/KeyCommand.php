<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Handover\SigningKey;
use Illuminate\Console\Command;

/** The keys that releases and packs are signed with. */
final class KeyCommand extends Command
{
    protected $signature = 'sartal:key {--new : sign with a new key from now on; what is signed stays signed}';

    protected $description = 'Show the signing keys, the one in use first, or make a new one';

    public function handle(): int
    {
        if ($this->option('new')) {
            SigningKey::make();
        }
        $current = SigningKey::current()['id'];
        foreach (SigningKey::ring() as $id => $public) {
            $this->line(sprintf('%s  %s%s', $id, $public, (string) $id === $current ? '  in use' : ''));
        }

        return self::SUCCESS;
    }
}

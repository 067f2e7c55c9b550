<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Office;
use App\Models\Organisation;
use App\Models\User;
use App\Who\Invitations;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Another organisation in this database, and its first person: only whoever has the machine makes one. */
final class OrganisationCommand extends Command
{
    protected $signature = 'sartal:organisation
        {name : what it is called}
        {person : the name of who looks after it}
        {sign-in : their mail address, or another sign-in name}';

    protected $description = 'Begin an organisation, with a link for its first person';

    public function handle(Invitations $invitations): int
    {
        $said = fn (string $name): string => is_string($this->argument($name)) ? trim($this->argument($name)) : '';
        $invitation = DB::transaction(static function () use ($invitations, $said) {
            $organisation = Organisation::query()->create(['name' => $said('name')]);
            $person = User::query()->create([
                'organisation_id' => $organisation->id,
                'known_as' => mb_strtolower($said('sign-in')),
                'name' => $said('person'),
                'offices' => array_column(Office::cases(), 'value'),
            ]);

            return $invitations->to($person, null);
        });
        $this->line(
            $invitation->link === null
                ? 'A link is on its way to '.$invitation->mailedTo.'.'
                : "They come in by this link, once:\n  ".$invitation->link,
        );

        return self::SUCCESS;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Whole;
use App\Models\Role;
use Sartal\Core\Work\Bench\Skill;

/** What somebody of a crew may do from now on. */
final readonly class MemberChange implements Shape
{
    /**
     * @param  list<Role>  $roles
     * @param  list<Skill>  $skills
     */
    public function __construct(
        #[Items(max: 5, min: 1, remedy: 'Choose at least one role.')] public array $roles,
        #[Items(max: 20)] public array $skills,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}

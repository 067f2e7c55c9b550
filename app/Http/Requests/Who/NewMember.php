<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Models\Role;
use Sartal\Core\Work\Bench\Skill;

/** A colleague by "person", or somebody new by "name" and "signIn", in a crew. */
final readonly class NewMember implements Shape
{
    /**
     * @param  list<Role>  $roles
     * @param  list<Skill>  $skills
     */
    public function __construct(
        #[Items(max: 5, min: 1, remedy: 'Choose at least one role.')] public array $roles,
        #[Items(max: 20)] public array $skills,
        #[Text(max: 40, min: 0)] public string $person = '',
        #[Text(max: 120, min: 0)] public string $name = '',
        #[Text(min: 0)] public string $signIn = '',
    ) {
    }
}

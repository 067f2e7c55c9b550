<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Making\Verbs\Arrange;
use Sartal\Core\Ends\Making\Verbs\Close;
use Sartal\Core\Ends\Making\Verbs\Cool;
use Sartal\Core\Ends\Making\Verbs\Crimp;
use Sartal\Core\Ends\Making\Verbs\CutOff;
use Sartal\Core\Ends\Making\Verbs\Fix;
use Sartal\Core\Ends\Making\Verbs\Insert;
use Sartal\Core\Ends\Making\Verbs\Join;
use Sartal\Core\Ends\Making\Verbs\LayAside;
use Sartal\Core\Ends\Making\Verbs\LayForward;
use Sartal\Core\Ends\Making\Verbs\Load;
use Sartal\Core\Ends\Making\Verbs\LookOver;
use Sartal\Core\Ends\Making\Verbs\Open;
use Sartal\Core\Ends\Making\Verbs\PressIn;
use Sartal\Core\Ends\Making\Verbs\PushOn;
use Sartal\Core\Ends\Making\Verbs\Remove;
use Sartal\Core\Ends\Making\Verbs\Seat;
use Sartal\Core\Ends\Making\Verbs\Slide;
use Sartal\Core\Ends\Making\Verbs\Slit;
use Sartal\Core\Ends\Making\Verbs\Tear;
use Sartal\Core\Ends\Making\Verbs\Tin;
use Sartal\Core\Ends\Making\Verbs\Trim;
use Sartal\Core\Ends\Making\Verbs\Tug;
use Sartal\Core\Ends\Making\Verbs\Twist;
use Sartal\Core\Ends\Making\Verbs\Wet;
use Sartal\Core\Ends\Workpiece\Lie;

/** What each verb is. */
final class Acts
{
    public static function of(Verb $verb): Act
    {
        return match ($verb) {
            Verb::CutOff => new CutOff(),
            Verb::Remove => new Remove(),
            Verb::Tear => new Tear(),
            Verb::Fold => new LayAside(Lie::Folded, 'laid back'),
            Verb::Open => new Open(),
            Verb::Twist => new Twist(),
            Verb::Wind => new LayAside(Lie::Wound, 'wound'),
            Verb::Trim => new Trim(),
            Verb::Arrange => new Arrange(),
            Verb::Wet => new Wet(),
            Verb::Tin => new Tin(),
            Verb::Slide => new Slide(),
            Verb::Seat => new Seat(),
            Verb::Insert => new Insert(),
            Verb::Join => new Join(),
            Verb::PressIn => new PressIn(),
            Verb::PushOn => new PushOn(),
            Verb::LayForward => new LayForward(),
            Verb::Slit => new Slit(),
            Verb::Crimp => new Crimp(),
            Verb::Load => new Load(),
            Verb::Fix => new Fix(),
            Verb::Cool => new Cool(),
            Verb::LookOver => new LookOver(),
            Verb::Tug => new Tug(),
            Verb::Close => new Close(),
        };
    }
}

import type { HomeHow } from '../../rules';
import type { Condition, FINDING_COLOURS, FINDING_SMELLS, Procedure } from '../../findings';
import type { AtHomeLine, BathStep } from '../../methods';
import type { DogChoice, EarHairReason } from '../../reasons';
import type { HairBorne, HairCame } from '../../dog';
import type { Task } from '../../tasks';
import type { IncidentKind, NailLength } from '../../events';
import type { TitleId } from '../../steps';
import type { Wording } from '../wording';

export const TASKS_ES: Readonly<Record<Task, string>> = {
  bath: 'Baño',
  'second wash': 'Segundo lavado',
  conditioner: 'Acondicionador',
  'face wash': 'Lavado de cara',
  drying: 'Secado',
  'ear cleaning': 'Limpieza de orejas',
  'ear hair': 'Pelo de la oreja',
  'ear flaps': 'Corte de los pabellones',
  'ear inspection': 'Mirar las orejas',
  'eyes and face': 'Ojos y cara',
  'eye corners': 'Pelo junto al ojo',
  'tear stains': 'Manchas de lágrima',
  'eye check': 'Ojos vistos por un veterinario',
  'heart check': 'Corazón visto por un veterinario',
  'lump check': 'Bulto visto por un veterinario',
  'fold care': 'Pliegues',
  'nose balm': 'Nariz',
  nails: 'Uñas y espolones',
  'brush-out': 'Cepillado',
  mats: 'Nudos',
  pads: 'Pelo entre las almohadillas',
  rear: 'Zona bajo la cola despejada',
  teeth: 'Dientes',
};

export const TITLES_ES: Readonly<Record<TitleId, string>> = {
  prepare: 'Preparar',
  handover: 'Preguntar al dueño',
  'look-over': 'Mirar y oler antes de mojar',
  decide: 'Decidir',
  'first clip': 'Cara, pies y trasero',
  'ear hair whole': 'Quitar el pelo ({place})',
  'ear hair staged': 'Quitar unos mechones ({place})',
  'ear hair trim': 'Recortar lo que asoma ({place})',
  'ear clean': 'Limpiar ({place})',
  'ear dry wipe': 'Limpiar en seco, sin verter nada ({place})',
  'ear flap': 'Pasar un paño por fuera ({place})',
  'eye clean': 'Ablandar y limpiar ({place})',
  'eye around': 'Agua sola alrededor ({place})',
  nails: 'Uñas y espolones',
  mat: 'Nudo ({place}): deshacer o rapar',
  'mat shave': 'Nudo ({place}): rapar',
  'brush-out': 'Cepillar a fondo',
  wet: 'Mojar el pelo',
  plugs: 'Poner los algodones, contados',
  'first wash': 'Primer lavado',
  'only wash': 'Lavado',
  contact: 'Dejar actuar {count} min',
  face: 'Lavar la cara',
  'face water': 'Lavar la cara con agua sola',
  'face pads': 'Cara con gasas húmedas',
  rinse: 'Aclarar',
  'second wash': 'Segundo lavado, con la mitad',
  'last rinse': 'Aclarar hasta que rechine',
  conditioner: 'Acondicionador y aclarado',
  'plugs out': 'Sacar los algodones, contados',
  'water off': 'Quitar el agua apretando',
  dry: 'Secar zona por zona',
  'ear again': 'Segunda limpieza ({place})',
  'ear wipe': 'Limpiar y secar ({place})',
  'ear dry': 'Secar por fuera ({place})',
  fold: 'Limpiar, secar, proteger ({place})',
  'fold clean': 'Limpiar y secar ({place})',
  'fold dry': 'Secar por fuera ({place})',
  nose: 'Bálsamo en la trufa',
  'comb and tidy': 'Peinar y repasar',
  teeth: 'Dientes, si está acordado',
  record: 'Anotar y entregar',
  'clean-down': 'Limpiar el puesto',
  'long clean-down': 'Limpiar el puesto a fondo',
};

export const HOME_HOWS_ES: Readonly<Record<HomeHow, string>> = {
  'brush to the skin': 'Cepille hasta la piel y compruebe con el peine. Sin agua en los nudos.',
  'undercoat in the moult': 'En la muda: saque el pelo muerto con un cepillo de goma, a favor del pelo.',
  'comb what is matted':
    'Hasta la próxima visita: peine hasta la piel un poco cada día, en seco; llámenos si no se abre.',
  'brush the teeth': 'Cepille con una pasta que se pueda tragar, primero los dientes de delante.',
  'look into the ears': 'Levante cada oreja: mire y huela. No se mete nada.',
  'look for seeds':
    'Después de cada paseo: busque espigas en las orejas y entre los dedos. No meta nada para sacarlas.',
  'dry after a swim': 'Después de nadar: seque el pabellón y la entrada, mire y huela.',
  'wipe below the eye': 'Pase una gasa húmeda bajo el ojo y seque.',
  'clean a wet face': 'Limpie bajo el ojo con una gasa húmeda y seque bien.',
  'wipe after walks': 'En semanas de polen: un paño húmedo por cara y pies al volver, y seque.',
  'comb the eye corner': 'Peine el pelo de la esquina lejos del ojo, limpie, seque.',
  'wipe a light fold': 'Levante el pliegue, limpie, seque.',
  'wipe a deep fold': 'Levante el pliegue, limpie hasta que salga limpio, seque bien.',
  'balm on the nose': 'Si está seca y con escamas: un poco de bálsamo templado en el dedo. Que se pueda lamer.',
  'wipe the outer ear': 'Pase una gasa húmeda por fuera de la oreja, hasta donde llega la vista.',
  'listen for nails': 'Mire las uñas sobre un suelo duro; llámenos si suenan.',
  'bath at home': 'Un baño: mezcla del día, aclarado hasta que no salgan burbujas, seco hasta la piel.',
  'look under the tail': 'Mire bajo la cola; peine lo que esté pegado, llámenos si hay heridas.',
};

export const BATH_STEPS_ES: Readonly<Record<BathStep, string>> = {
  'comb first': 'Antes, cepille y peine hasta la piel. Un nudo mojado se aprieta más.',
  mix: 'Mezcle ahora: primero el agua en una jarra limpia, luego el champú. Remueva.',
  wet: 'Agua templada, probada en su muñeca. Moje el pelo hasta la piel, de atrás hacia el cuello. La cabeza queda seca.',
  wash: 'Poco a poco sobre el pelo. Con las yemas de los dedos: lomo, barriga, patas, entre los dedos, bajo la cola.',
  wait: 'Ponga el reloj. Se deja {minutes} minutos. Que su perro no lo lama.',
  rinse: 'Aclare desde el cuello hacia abajo, más tiempo del que lavó, hasta que el agua salga clara.',
  'rinse test':
    'La prueba: apriete el pelo mojado en las axilas, las ingles y entre los dedos. Si hay burbujas o resbala, aclare otra vez.',
  face: 'La cara: un paño húmedo solo con agua, y seque.',
  dry: 'Apriete con toallas, sin frotar. Luego seque hasta la piel, con aire solo templado. La piel húmeda se irrita.',
  'throw away': 'Tire lo que sobre de la mezcla. El champú mezclado se estropea.',
};

/** What a label warns of, for an owner. */
export const LABEL_CAUTIONS_ES: Wording['labelCautions'] = {
  eyes: 'No en los ojos.',
  ears: 'No en las orejas.',
  'deep cleanser': 'Fuerte: no para piel delicada.',
  scented: 'Perfumado.',
  'broken skin': 'No sobre piel abierta.',
  'cats in the house': 'Daña a los gatos.',
  'pregnancy of the user': 'Que no lo toque una persona embarazada.',
};

export const AT_HOME_ES: Readonly<Record<AtHomeLine, string>> = {
  'nothing goes in': 'No se mete nada en la oreja: ni bastoncillo, ni líquido, ni el dedo más allá de la vista.',
  'never reach in': 'No intente sacar nada que esté clavado: llame a un veterinario.',
  'no water on mats': 'Sin agua en un nudo: se aprieta.',
  'no scissors at mats': 'Nunca tijeras bajo un nudo: la piel está metida dentro.',
  'never pick dry': 'Nunca arranque la costra seca: ablándela antes con agua.',
  'no soap at the eye': 'Ni jabón, ni champú, ni quitamanchas cerca de un ojo.',
  'nothing greasy on red': 'Nada graso sobre piel roja.',
  'balm or nothing': 'Solo lo que se pueda lamer: sin zinc, árbol del té ni xilitol.',
  'no stain remover': 'Sin quitamanchas en un pliegue.',
  'no human paste': 'Nunca pasta de dientes de personas.',
  'never pull': 'No tire de la suciedad seca: ablándela con agua tibia.',
  'no bath on sore skin': 'Sin baño sobre piel herida, húmeda o abierta, con puntos, o si su perro está enfermo.',
  'no bath near spot-on': 'Sin baño dos días antes y después de la pipeta contra pulgas: se va con el agua.',
  'no people shampoo': 'Sin champú de personas, y sin mezcla más fuerte que esta.',
  'no water in ears': 'Sin agua en las orejas ni champú cerca de los ojos.',
  'never keep a mix': 'Nunca guarde la mezcla para otra vez: se estropea.',
  'stop: bath': 'Piel roja, granitos o picor: aclare enseguida y llámenos.',
  'stop: cold or faint': 'Tiembla de frío, está débil o respira mal: pare, aclare, seque y llame a un veterinario.',
  'leave the nails': 'Deje las uñas como están: las hacemos nosotros.',
  'stop: ear': 'Olor, enrojecimiento, secreción de color, calor o dolor: deje esa oreja y llámenos.',
  'stop: head tilt': 'Cabeza ladeada o falta de equilibrio: veterinario hoy.',
  'stop: eye': 'Entrecierra el ojo, se lo frota, sangre o una nube nueva: no haga nada, veterinario hoy.',
  'stop: fold': 'Se encoge, está en carne viva o sangra: deje ese pliegue y llámenos.',
  'stop: skin': 'Piel herida, húmeda o abierta: pare y llámenos.',
  'stop: mouth': 'Un diente roto o la boca dolorida: pare, y que lo mire un veterinario.',
  'stop: nail': 'Una uña que no para de sangrar o clavada en la piel: veterinario.',
};

export const HAIR_CAME_ES: Readonly<Record<HairCame, string>> = {
  none: 'nada',
  'a few': 'unos pocos pelos',
  most: 'casi todo',
  all: 'todo',
};
export const HAIR_BORNE_ES: Readonly<Record<HairBorne, string>> = {
  calm: 'estuvo tranquilo',
  minded: 'le molestó un poco',
  'broke off': 'no se dejó y paramos',
};

export const NAIL_LENGTHS_ES: Readonly<Record<NailLength, string>> = {
  short: 'cortas',
  'at the floor': 'rozan el suelo',
  clicks: 'suenan al andar',
  long: 'largas',
  curled: 'curvadas',
};

export const CHOICES_ES: Readonly<Record<DogChoice, string>> = {
  'did not lift': 'no se soltó al ablandarla',
  'would not have it': 'su perro no se dejó',
  'owner does not want it': 'como usted quiso',
  'not needed': 'hoy no hacía falta',
  'no time': 'faltó tiempo',
  'another day': 'otro día',
  'has had enough': 'su perro ya tenía bastante',
  'owner fetches it': 'usted lo recogió',
  'no time today': 'hoy faltó tiempo',
  'vet’s word': 'lo dijo un veterinario',
  'would not bear it': 'su perro no lo aguantó',
  'in distress': 'su perro lo pasaba mal',
  'vet said so': 'lo dijo el veterinario',
  'skin reacts': 'la piel reaccionó',
  'judged otherwise': 'visto y decidido de otro modo',
  'healthy skin': 'piel sana',
  'red skin': 'piel roja',
  'damp skin': 'piel húmeda',
  'a sore': 'una llaga',
  'flea dirt': 'restos de pulgas',
};

export const EAR_HAIR_ES: Readonly<Record<EarHairReason, string | null>> = {
  'not today': 'hoy no',
  'kept for vets': 'aquí eso lo hace un veterinario',
  'no consent': 'usted no nos ha dado permiso',
  'no hair inside': 'dentro no crece pelo',
  'ear trouble before': 'hubo problemas antes: que lo diga primero un veterinario',
  sparse: 'hay poco pelo',
  'left alone': null,
  'outside only': null,
  'house trims': null,
  'broke off today': 'hoy su perro no se dejó',
  'not borne': 'la última vez su perro no lo aguantó',
  'old and new to it': 'nunca se hizo y su perro es mayor',
  'old, not known': 'nadie sabe si se hizo alguna vez y su perro es mayor',
  'house stages': null,
  'first time': 'es la primera vez',
  'last time not known': 'nadie sabe cuándo se hizo la última vez',
  'long ago': 'hace mucho que se hizo',
  'minded last time': 'la última vez le molestó',
  'one more visit': 'se hace en varias visitas',
  'two more visits': 'se hace en varias visitas',
  'borne well': null,
};

export const CONDITIONS_ES: Readonly<Record<Condition, string>> = {
  'drum torn or suspected': 'el tímpano está roto o puede estarlo',
  'ear operation': 'una operación de oreja',
  'long-acting gel in place': 'lleva el gel del veterinario',
  'drops given today': 'hoy se le pusieron gotas',
  'eye drops or ointment today': 'hoy se le pusieron gotas o pomada',
  'eye operation': 'una operación de ojo',
};

export const INCIDENTS_ES: Readonly<Record<IncidentKind, string>> = {
  nick: 'un pequeño corte',
  'clipper burn': 'la piel irritada por la máquina',
  quick: 'una uña cortada de más, que sangró',
  bite: 'un mordisco',
  fall: 'una caída',
  escape: 'una escapada',
  'product in the eye': 'algo de producto en un ojo, que se aclaró',
  'skin reacts': 'una reacción de la piel a un producto',
  'wrong product': 'un producto que no era para él',
};

export const RULES_ES: Readonly<Record<string, string>> = {
  'conditioner: treated skin': 'sobre piel en tratamiento, solo si lo dice el veterinario',
  'bath: stitches': 'puntos recientes: sin baño hasta que el veterinario lo permita',
  'bath: medicated baths': 'aquí no damos baños medicinales: en el veterinario',
  'brush-out: corded': 'pelo en cordones: nunca se cepilla, los cordones se separan a mano',
  'brush-out: bare': 'piel sin pelo: no hay nada que cepillar',
  'ear cleaning: left to vets': 'aquí miramos las orejas y no las limpiamos: lo hace un veterinario',
  'teeth: not here': 'aquí no hacemos los dientes',
};

export const SERVICES_ES: Readonly<Record<string, string>> = {
  'ear hair vet': 'aquí eso lo hace un veterinario',
  'ear hair outside only': 'aquí trabajamos las orejas solo por fuera',
  'ear cleaning outside only': 'aquí limpiamos las orejas solo por fuera',
  'grown-in dewclaw vet': 'aquí eso lo hace un veterinario',
  'shave-down vet': 'aquí eso lo hace un veterinario',
};

export const COLOURS_ES: Readonly<Record<(typeof FINDING_COLOURS)[number], string>> = {
  pale: 'claro',
  pink: 'rosado',
  red: 'rojo',
  brown: 'marrón',
  yellow: 'amarillo',
  green: 'verde',
  black: 'negro',
};
export const SMELLS_ES: Readonly<Record<(typeof FINDING_SMELLS)[number], string>> = {
  none: 'ninguno',
  musty: 'a moho',
  sour: 'agrio',
  sweet: 'dulce',
  foul: 'muy malo',
};
export const PROCEDURES_ES: Readonly<Record<Procedure, string>> = {
  look: 'mirar',
  clean: 'limpiar',
  fill: 'poner líquido',
  massage: 'masajear',
  pluck: 'arrancar pelo',
  plug: 'poner algodón',
  wash: 'lavar',
  rinse: 'aclarar',
  clip: 'cortar con máquina',
  comb: 'peinar',
  towel: 'tocar con paño',
  blow: 'secar con aire',
  protect: 'poner bálsamo o polvos',
  trim: 'recortar con tijera',
};

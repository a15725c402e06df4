import type { Level } from '../../findings';
import type { MessageKind } from '../../messages';
import type { SentenceKey } from '../sentences';

/** Sentences of a sheet. Places stand after a colon or in brackets, so that no article has to agree with them. */
export const SENTENCES_ES: Readonly<Record<SentenceKey, string>> = {
  placeClear: '{places}: todo bien.',
  restIsClear: 'Todo lo demás que miramos: bien.',
  place: '{place}: {signs}.',
  placeCompared: '{place}: {signs}, {compared}.',
  asAlways: 'como siempre',
  graded: '{sign} ({grade})',
  more: 'más que la última vez',
  moreSince: 'más que en {month}',
  less: 'menos que la última vez',
  lessSince: 'menos que en {month}',
  same: 'igual que la última vez',
  sameSince: 'igual que en {month}',
  new: 'nuevo desde la última vez',
  restClear: 'el resto del cuerpo',
  notLookedAt: 'Esta vez no lo miramos: {places}.',
  bathed: 'Baño con {products}.',
  bathedPlain: 'Baño y secado.',
  cleaned: 'Limpiamos: {places}.',
  cleanedOnePad: 'Limpiamos: {place}. Una gasa sucia antes de que saliera limpia.',
  cleanedPads: 'Limpiamos: {place}. {count} gasas sucias antes de que saliera limpia.',
  cleanedOnePadEach: 'Limpiamos: {place}. En cada lado, una gasa sucia antes de que saliera limpia.',
  cleanedPadsEach: 'Limpiamos: {place}. En cada lado, {count} gasas sucias antes de que saliera limpia.',
  filledTwice: 'Se puso limpiador dos veces.',
  nailsDone: 'Uñas y espolones cortados.',
  nailsSeen: 'Uñas, tal como las encontramos: {seen}.',
  clipped: 'Recortado: {what}.',
  face: 'cara',
  nothingNeeded: 'Revisado, no hacía falta nada: {what}.',
  pieceLeft: 'Esta vez lo dejamos: {what}.',
  earHairOut: 'Quitamos pelo. Dónde: {place}.',
  earHairTrimmed: 'Recortamos el pelo. Dónde: {place}.',
  earHairWent: 'Pelo ({place}): salió {came}.',
  earHairBorne: 'Su perro: {borne}.',
  earHairLeft: 'Queda algo para la próxima visita.',
  earHairAfter:
    'Donde quitamos pelo es normal algo de rojez una o dos horas y que sacuda la cabeza unas horas. Si dura más de un día, llámenos.',
  afterFall: 'Que hoy esté tranquilo. Si cojea, está apagado o respira deprisa, llame enseguida a un veterinario.',
  afterReaction:
    'Mire la piel esta noche y mañana. Si sigue roja, que la vea un veterinario. Si se hincha la cara, salen bultos por todo el cuerpo o respira mal, vaya enseguida al veterinario.',
  afterProductInEye: 'Si esta noche aún guiña o se frota ese ojo, que lo vea hoy un veterinario.',
  afterQuick:
    'Sangró una uña. Hasta mañana, la pata seca y sobre suelo blando. Si vuelve a sangrar, apriete con un paño limpio. Si no para en 15 minutos, que la vea hoy un veterinario.',
  afterNick:
    'Mantenga la herida limpia y seca, y que no se la lama. Si a los dos días está roja, húmeda o hinchada, que la vea un veterinario.',
  afterEarMat:
    'Quitamos un nudo de una oreja. Tóquela otra vez dentro de una hora. Si se hincha o no deja de sacudir la cabeza, que la vea hoy un veterinario.',
  afterMat:
    'La piel bajo un nudo puede estar rosada y picar un día o dos. Que no le dé el sol, ni pase frío, ni se moje. Si a los dos días aún se rasca ahí, llámenos.',
  afterVetsBath:
    'Este es el baño que pidió {who}. Ningún otro champú antes del próximo. Si mañana la piel está más roja o pica más, llame a su veterinario.',
  afterEars:
    'Después de limpiar los oídos es normal que sacuda la cabeza unas horas y algo de rojez una o dos horas. Si dura más de un día, llámenos.',
  afterFirstVisit:
    'La primera visita cansa a un cachorro. Un día tranquilo y dormir mucho es normal. Si mañana no come o sigue apagado, llame a su veterinario.',
  finishedWith: 'Para terminar: {products}.',
  alsoDone: 'Además: {what}.',
  brushedOut: 'Pelo cepillado a fondo.',
  tidied: 'Repasado con el peine.',
  teethDone: 'Dientes cepillados.',
  wipedOutside: 'Limpiamos solo por fuera: {places}.',
  wipedAround: 'Solo alrededor, con agua: {places}.',
  pattedDry: 'Secado por fuera, sin frotar: {places}.',
  noseBalm: 'Bálsamo en la trufa.',
  leftAlone: 'No lo tocamos: {place} ({because}).',
  skipped: 'Esta vez no lo hicimos: {step} ({because}).',
  reasonSince: '{signs} el {day}, y ningún veterinario lo ha visto desde entonces',
  reasonNothingElse: 'nada más sobre la piel, según {who}',
  reasonNotDone: '{who} nos pidió que no',
  reasonNotDoneUntil: '{who} nos pidió que no hasta el {day}',
  reasonAvoid: 'nada que lleve {what}, según {who}',
  reasonNoConsent: 'usted no nos ha dado permiso',
  matShaved: 'Rapamos un nudo, con su permiso: {place}.',
  matBrushed: 'Deshicimos un nudo: {place}.',
  matLeft: 'Dejamos un nudo para otro día: {place}.',
  beneath: 'Debajo: {what}.',
  incident: 'Hubo {what}. {done}',
  incidentAt: 'Hubo {what} ({place}). {done}',
  contactShort: 'El producto actuó {stood} de {asked} minutos.',
  wentHome: 'Se fue a casa antes de acabar: {because}.',
  endedEarly: 'Acabamos la visita antes de tiempo.',
  cameBackOften: '{place}: {count} veces en seis meses era cosa del veterinario. Dígaselo al suyo.',
  eyeVet: 'Pida una vez a un veterinario de ojos que mire por qué lloran.',
  plugNotFound: 'No encontramos el algodón que pusimos ({side}). Que un veterinario mire esa oreja hoy.',
  homeCare: '{what}, {every}, primera vez el {day}: {how} Unos {minutes} cada vez.',
  taskAt: '{what} ({places})',
  only: 'solo {place}',
  pictureOn: '{place}, {day}',
  pictureBefore: '{place}, antes',
  pictureAfter: '{place}, después',
  untilClear: '{every} hasta que esté bien, luego {then}',
  clearAgain: 'de nuevo {every} (el {day} estaba bien)',
  twiceADay: 'dos veces al día',
  timesADay: '{count} veces al día',
  everyDay: 'cada día',
  onceAWeek: 'una vez por semana',
  everyDays: 'cada {count} días',
  oneMinute: '1 minuto',
  minutes: '{count} minutos',
  nextVisit: 'Proponemos la próxima visita hacia el {day}.',
  sawTitle: 'Lo que vimos',
  didTitle: 'Lo que hicimos',
  suggestTitle: 'Lo que sigue',
  careTitle: 'Hasta la próxima visita',
  homeTitle: 'En casa',
  dogsLeft: 'izquierda del perro',
  dogsRight: 'derecha del perro',
  forOwner: 'Para {owner}',
  foot: 'Un punto es que todo está bien; uno, dos, tres anillos son {grades}. Izquierda y derecha son las del perro. Es lo que un peluquero vio por fuera; solo un veterinario puede decir qué significa.',
  booked: 'Su próxima visita está reservada para el {day}.',
  bookedLate: 'Su próxima visita está reservada para el {day}. Mejor antes: hacia el {sooner}.',
};

export const ADVICE_ES: Readonly<Record<Level, string | null>> = {
  none: null,
  note: null,
  watch: 'Lo miraremos otra vez en la próxima visita: {place}.',
  tell: 'Esté atento y llámenos si cambia: {place}.',
  vet: 'Al veterinario en una semana, antes del próximo cuidado: {place}.',
  'vet soon': 'Que un veterinario lo mire en uno o dos días: {place}.',
  'vet today': 'Que un veterinario lo mire hoy: {place}.',
  emergency: 'Lleve a su perro al veterinario ahora mismo.',
};

export const PRESSES_ES: Readonly<Record<Level, string | null>> = {
  none: null,
  note: null,
  watch: null,
  tell: null,
  vet: 'Que un veterinario lo mire en una semana.',
  'vet soon': 'Que un veterinario lo mire en uno o dos días.',
  'vet today': 'Que un veterinario lo mire hoy.',
  emergency: 'Salga ahora mismo hacia el veterinario.',
};

export const URGENCY_ES: Readonly<Partial<Record<Level, string>>> = {
  vet: 'en una semana',
  'vet soon': 'en uno o dos días',
  'vet today': 'hoy',
  emergency: 'ahora mismo',
};

export const MESSAGES_ES: Readonly<Record<MessageKind, { readonly subject: string; readonly words: string }>> = {
  'nearly ready': {
    subject: '{dog} está casi listo',
    words: 'Hola {owner}, {dog} estará hacia las {time}. Hasta ahora. {business}, {phone}',
  },
  'please ring': {
    subject: 'Llámenos por {dog}',
    words: 'Hola {owner}, tenemos una pregunta sobre {dog}. Llámenos antes de las {time}: {phone}. {business}',
  },
  sheet: {
    subject: '{dog} en {business}, {day}',
    words:
      'Hola {owner}, esto es lo que vimos e hicimos con {dog} el {day}, y lo que proponemos para casa: {link} La página es suya durante {days} días. {business}, {phone}',
  },
  'vet, please': {
    subject: '{dog}: que lo mire un veterinario',
    words:
      'Hola {owner}, hemos visto algo en {dog} ({place}) que un veterinario debería mirar {urgency}. Aquí hay una carta para él: {link} Díganos lo que diga el veterinario: nos guiamos por ello. {business}, {phone}',
  },
  'has a vet looked': {
    subject: '{dog}: ¿lo ha visto un veterinario?',
    words:
      'Hola {owner}, el {day} le pedimos que un veterinario mirara a {dog} ({place}). ¿Lo ha visto ya? Nos guiamos por lo que diga. La carta para el veterinario sigue aquí: {link} Díganoslo: {phone}. {business}',
  },
  'how is it': {
    subject: '¿Cómo está {dog}?',
    words: 'Hola {owner}, ¿cómo está {dog} desde el {day}? Díganoslo: {phone}. {business}',
  },
  'after plucking': {
    subject: '¿Cómo están las orejas de {dog}?',
    words:
      'Hola {owner}, el {day} quitamos pelo de las orejas de {dog}. Un poco de rojez y alguna sacudida pueden durar unas horas. Mire y huela ahora. Si sigue rojo, húmedo o huele, o su perro se rasca, llámenos: {phone}. {business}',
  },
  'this week at home': {
    subject: 'Esta semana para {dog}',
    words:
      'Hola {owner}, esta semana para {dog}: {tasks}. Cómo se hace, y dónde marcarlo, está aquí: {link} Usted pidió este aviso una vez a la semana; allí puede quitarlo. {business}, {phone}',
  },
  'time to come': {
    subject: 'Le toca a {dog}',
    words:
      'Hola {owner}, a {dog} le toca su próxima visita. Podríamos el {day} a las {time}: ¿le viene bien? Diga que sí, o elija otra hora, aquí: {link} O llámenos: {phone}. {business}',
  },
  'a gap': {
    subject: 'Ha quedado un hueco para {dog}',
    words:
      'Hola {owner}, ha quedado un hueco para {dog} el {day} a las {time}. Es de quien diga que sí primero, aquí: {link} O llámenos: {phone}. {business}',
  },
  'before you come': {
    subject: '{dog}: el {day} a las {time}',
    words:
      'Hola {owner}, esperamos a {dog} el {day} a las {time}. {before}Si no puede venir, díganoslo aquí: {link} Hasta entonces. {business}, {phone}',
  },
  'on our way': {
    subject: 'Vamos hacia {dog}',
    words: 'Hola {owner}, vamos de camino y llegaremos a {dog} hacia las {time}. {business}, {phone}',
  },
};

import type { Meanwhile } from '../../findings';

/** What an owner does meanwhile. Places stand before a colon, so that nothing has to agree with them. */
export const MEANWHILE_ES: Readonly<Record<Meanwhile, string>> = {
  'ear left alone':
    '{places}: hasta que lo vea un veterinario, nada dentro salvo lo que él le dio. Ni limpiador, ni bastoncillos, ni agua: el veterinario tiene que ver lo que hay. Pregúntele qué limpiador usar después.',
  'ear in peace':
    '{places}: unos días de calma, sin limpiador ni bastoncillos. Frotar lo empeora. Si huele más o se rasca, llámenos.',
  'ear dried': '{places}: seque con un paño suave después de nadar o del baño. Un oído húmedo se ensucia pronto.',
  'no cotton buds': '{places}: sin bastoncillos. Empujan la cera hacia dentro.',
  'eye left alone':
    '{places}: hasta que lo vea un veterinario, solo agua alrededor del ojo, y lo que él le dio. Que no se frote.',
  'face dried':
    '{places}: limpie el pelo con una gasa húmeda y séquelo cada día, dos o tres veces si sigue mojado. El pelo mojado mancha e irrita la piel. Ningún quitamanchas cerca de un ojo.',
  'crust softened': '{places}: ablande la costra con agua, y espere. En seco arranca pelo y piel.',
  'fold left alone':
    '{places}: hasta que lo vea un veterinario, solo secar sin frotar. Ni bálsamo, ni polvos, ni perfume.',
  'fold dried':
    '{places}: limpie y seque cada día hasta que esté pálido otra vez. La humedad lo enrojece. Ningún bálsamo sobre piel roja.',
  'no balm in cracks': '{places}: ningún bálsamo sobre grietas ni heridas. Pregunte al veterinario qué se puede poner.',
  'bed washed':
    'Lave la cama y las mantas con agua caliente esta semana: las pulgas jóvenes viven ahí, no en el perro. Pregunte al veterinario qué usar con todos los animales de casa.',
  'looked over after walks':
    'Revise a su perro después de pasear por hierba alta. Pregunte al veterinario cómo se quita una garrapata.',
  'skin apart':
    '{places}: que no se lama. Hasta que lo vea un veterinario, lávese las manos después de tocarlo, y tenga aparte su cama y sus toallas.',
  'skin watched': '{places}: mírelo una vez por semana con buena luz. Si crece o pica, llámenos.',
  'lump not pressed': '{places}: no lo apriete. Toque una vez por semana si crece: el veterinario se lo preguntará.',
  'kept dry': '{places}: manténgalo seco, y que no se lama.',
  'toes dried':
    '{places}: enjuague con agua después del paseo y seque entre los dedos. Una pata lamida sigue mojada y roja.',
  'pads saved':
    '{places}: nada de suelo caliente, con sal o áspero hasta que cierre. Enjuague la sal después del paseo.',
  'nail saved': '{places}: suelo blando, y que no se lama, hasta que esté bien. Una uña enganchada se rompe más.',
  'soft food': 'Comida blanda y nada duro de morder hasta que lo vea un veterinario. No cepille donde duele.',
  'teeth looked at': 'Pida al veterinario que mire los dientes. Cepille una vez al día cuando nada duela.',
  'not pressed': '{places}: no apriete el bulto. Límpielo con agua.',
  'combed to the skin':
    '{places}: peine hasta la piel cada dos días. Los nudos empiezan donde el peine no llega. Ni tijeras ni agua en un nudo.',
  'leg rested': 'Paseos cortos con correa dos días, sin escaleras ni saltos. Si aún cojea, que lo vea un veterinario.',
};
